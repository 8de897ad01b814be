<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Linear\LeastSquares;

/**
 * The equivalence volume from the points around a jump.
 *
 * Near a jump the volume is V = Ve - a 10^-p + b 10^p: before it the acid left over falls by a factor of ten with
 * each pH, after it the excess of base grows so; this is Gran's relation (Analyst 77 (1952) 661) used on both sides
 * at once. The second derivative of this curve changes sign at Ve. Further from the jump the relation bends, so a
 * point counts the less the further it is.
 *
 * @internal used by EquivalenceFinder alone
 */
final class LocalJump
{
    /** How far the relation is off, as a share of the distance from the jump, per mL of distance over the reach. */
    private const OFF_AT_REACH = 0.06;

    /** Below this (or as far below 14) the half-way pH is that of a strong acid or base. */
    public const STRONG_PH = 2.6;

    private const POINTS_EACH_SIDE = 6;

    private const NARROW_EACH_SIDE = 4;

    /** Points before and after at least; with fewer the volume rests on the straight interpolation alone. */
    private const LEAST_EACH_SIDE = 2;

    /** Shares of the way to the jump at which its group is read. */
    private const NEAR = 0.8;

    private const HALF = 0.5;

    /** What three estimates of the same volume differ by is somewhat less than what they are off. */
    private const DOUBT = 1.5;

    private const ROUNDS = 4;

    /**
     * @param  int  $peak  index of the point before the steepest stretch
     * @param  SignChange  $change  where it is on the straight line
     * @param  float  $before  mL, the jump before this one, or the start
     * @param  float|null  $after  mL, the jump after it; null if there is none
     * @return array{float, float}|null volume and standard uncertainty in mL; null where the points do not allow it
     */
    public static function volume(TitrationCurve $curve, int $peak, SignChange $change, float $before, ?float $after): ?array
    {
        $each = self::POINTS_EACH_SIDE * $change->together;
        $wide = self::fitted($curve, $peak, $change->at, $before, $after, $each, self::NEAR);
        $others = [
            self::fitted($curve, $peak, $change->at, $before, $after, self::NARROW_EACH_SIDE * $change->together, self::NEAR),
            self::fitted($curve, $peak, $change->at, $before, $after, $each, self::HALF),
        ];
        if ($wide === null) {
            return $others[0] ?? $others[1];
        }
        // What the relation itself is off shows when fewer points are used, or the groups are read elsewhere.
        $doubt = 0.0;
        foreach (array_filter($others) as [$volume]) {
            $doubt = hypot($doubt, self::DOUBT * ($volume - $wide[0]));
        }

        return [$wide[0], hypot($wide[1], $doubt)];
    }

    /** @return array{float, float}|null */
    private static function fitted(TitrationCurve $curve, int $peak, float $start, float $before, ?float $after, int $each, float $share): ?array
    {
        $reach = min($start - $before, ($after ?? INF) - $start);
        $sign = (float) $curve->direction();
        $buffer = self::buffer($curve, $before, $start, $share);
        $next = $after === null ? null : self::buffer($curve, $start, $after, 1.0 - $share);
        [$x, $y] = [$curve->points->x, $curve->points->y];
        $from = max(0, $peak - $each + 1);
        $to = min($curve->points->count() - 1, $peak + $each);
        if ($peak - $from + 1 < self::LEAST_EACH_SIDE || $to - $peak < self::LEAST_EACH_SIDE) {
            return null;
        }
        $middle = ($y[$peak] + $y[$peak + 1]) / 2.0;
        $columns = [[], [], []];
        $volumes = [];
        for ($i = $from; $i <= $to; $i++) {
            $p = $sign * ($y[$i] - $middle);
            $columns[0][] = 1.0;
            $columns[1][] = -self::fall($p, $buffer === null ? null : $sign * ($middle - $buffer));
            $columns[2][] = self::fall(-$p, $next === null ? null : $sign * ($next - $middle));
            $volumes[] = $x[$i];
        }
        $found = $start;
        $slopes = null;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $weights = [];
            foreach ($volumes as $i => $volume) {
                $distance = abs($volume - $found);
                $slope = $slopes[$i] ?? self::plainSlope($x, $y, $from + $i);
                $off = self::OFF_AT_REACH * $distance * $distance / $reach;
                $weights[] = 1.0 / (($curve->noise * $slope) ** 2 + $off * $off + 1e-12);
            }
            $fit = LeastSquares::solve($columns, $volumes, $weights);
            if ($fit === null || $fit->constants[1] < 0.0 || $fit->constants[2] < 0.0) {
                return null;
            }
            $found = $fit->constants[0];
            $slopes = array_map(static fn (float $down, float $up): float => M_LN10 * ($up * $fit->constants[2] - $down * $fit->constants[1]), $columns[1], $columns[2]);
        }
        $degrees = count($volumes) - 3;
        $scatter = $degrees > 0 ? max(1.0, $fit->residualSumOfSquares / $degrees) : 1.0;
        $isBetween = $found > $x[$from] && $found < $x[$to];

        return $isBetween ? [$found, sqrt($scatter * $fit->inverseGram[0][0])] : null;
    }

    /**
     * What is left of a group at a pH this far above the middle: 10^-p far from its pKa, less near it.
     *
     * @param  float|null  $distance  from its pKa up to the middle; null for a strong acid or base
     */
    private static function fall(float $p, ?float $distance): float
    {
        return $distance === null ? 10.0 ** -$p : 1.0 / (10.0 ** $p + 10.0 ** -$distance);
    }

    /**
     * pKa of the group that buffers this share of the way between two jumps; null for a strong acid or base.
     *
     * By Henderson and Hasselbalch. Where several groups share a jump, those nearest to it shape it.
     */
    private static function buffer(TitrationCurve $curve, float $from, float $to, float $share): ?float
    {
        $ph = $curve->points->at($from + $share * ($to - $from));
        $half = $curve->points->at(($from + $to) / 2.0);

        return $ph === null || $half === null || $half < self::STRONG_PH || $half > 14.0 - self::STRONG_PH
            ? null : $ph - $curve->direction() * log10($share / (1.0 - $share));
    }

    /**
     * mL per pH around a point.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    private static function plainSlope(array $x, array $y, int $i): float
    {
        $a = max(0, $i - 1);
        $b = min(count($x) - 1, $i + 1);

        return abs($x[$b] - $x[$a]) / max(abs($y[$b] - $y[$a]), 0.02);
    }
}
