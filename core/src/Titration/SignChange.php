<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Series\Series;

/**
 * Where the second derivative passes from positive to negative at a jump, read from the differences of the readings on the
 * straight line between the two (Skoog, West, Holler and Crouch, Fundamentals of Analytical Chemistry, 9th edition, 21G-4).
 *
 * Differences of readings close together tell little where the curve is not steep; there neighbours are averaged first.
 *
 * @internal used by EquivalenceFinder alone
 */
final readonly class SignChange
{
    /** The slope between two readings should be known to this share of what it stands out by. */
    private const CLEAR = 0.1;

    /**
     * @param  float  $at  mL
     * @param  float  $from  volume in mL where the second derivative is last positive in the sense of the jump
     * @param  float  $to  volume in mL where it is first negative
     * @param  float  $uncertainty  standard uncertainty of $at from the steps and the scatter of the readings, mL
     * @param  int  $together  how many readings were averaged
     */
    private function __construct(public float $at, public float $from, public float $to, public float $uncertainty, public int $together)
    {
    }

    public static function of(TitrationCurve $curve, Jump $jump): ?self
    {
        $step = ($curve->points->x[$jump->to] - $curve->points->x[$jump->from]) / ($jump->to - $jump->from);
        $most = max(1, intdiv($curve->points->count(), 8));
        // Averages of m readings scatter less by the root of m, and lie m times as far apart.
        $together = max(1, min($most, (int) ceil((M_SQRT2 * $curve->noise / ($step * self::CLEAR * $jump->excess)) ** (2.0 / 3.0))));
        $points = self::averaged($curve->points, $together);
        $noise = $curve->noise / sqrt($together);
        $peak = self::steepest($points, $curve->direction(), $curve->points->x[$jump->from], $curve->points->x[$jump->to]);
        $zero = self::zero($points, $peak, $curve->direction());
        if ($zero === null) {
            return null;
        }
        $coarse = ($points->x[$peak + 2] - $points->x[$peak - 1]) / 3.0;

        return new self($zero[0], $zero[1], $zero[2], hypot($coarse / sqrt(12.0), self::noiseShare($points, $noise, $peak, $curve->direction(), $zero[0])), $together);
    }

    /** @param  positive-int  $together */
    private static function averaged(Series $points, int $together): Series
    {
        if ($together === 1) {
            return $points;
        }
        $mean = static fn (array $values): float => array_sum($values) / count($values);

        return Series::of(array_map($mean, array_chunk($points->x, $together)), array_map($mean, array_chunk($points->y, $together)));
    }

    /** Index of the point before the steepest stretch between two volumes; two points at least lie on each side of it. */
    private static function steepest(Series $points, int $direction, float $from, float $to): int
    {
        $slopes = array_map(static fn (float $s): float => $s * $direction, $points->derivative()->y);
        $last = count($slopes) - 2;
        $peak = null;
        for ($i = 1; $i <= $last; $i++) {
            $isInside = $points->x[$i + 1] > $from && $points->x[$i] < $to;
            $peak = $isInside && ($peak === null || $slopes[$i] > $slopes[$peak]) ? $i : $peak;
        }
        $peak ??= 1;
        // The limits of the scatter may have cut off the steepest part.
        while ($peak > 1 && $slopes[$peak - 1] > $slopes[$peak]) {
            $peak--;
        }
        while ($peak < $last && $slopes[$peak + 1] > $slopes[$peak]) {
            $peak++;
        }

        return $peak;
    }

    /** Standard uncertainty of the zero in mL from the noise of the four points it rests on, to first order. */
    private static function noiseShare(Series $points, float $noise, int $peak, int $direction, float $volume): float
    {
        $sum = 0.0;
        $small = max($noise, 1e-4) / 10.0;
        for ($i = $peak - 1; $i <= $peak + 2; $i++) {
            $y = $points->y;
            $y[$i] += $small;
            $moved = self::zero(Series::of($points->x, array_values($y)), $peak, $direction);
            if ($moved !== null) {
                $sum += (($moved[0] - $volume) / $small * $noise) ** 2;
            }
        }

        return sqrt($sum);
    }

    /** @return array{float, float, float}|null the zero and its two neighbours, mL; null if there is no change of sign */
    private static function zero(Series $points, int $peak, int $direction): ?array
    {
        $around = $points->between($points->x[$peak - 1], $points->x[$peak + 2]);
        $second = $around->derivative()->derivative();
        [$before, $after] = [$second->y[0] * $direction, $second->y[1] * $direction];
        if ($before <= 0.0 || $after > 0.0) {
            return null;
        }
        $share = $before / ($before - $after);

        return [$second->x[0] + $share * ($second->x[1] - $second->x[0]), $second->x[0], $second->x[1]];
    }
}
