<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Series\Series;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/**
 * Finds the jumps of a titration curve where its second derivative changes sign.
 *
 * Between which volumes it changes is read from the differences of the readings, and a first value on the straight
 * line between the two (Skoog, West, Holler and Crouch, Fundamentals of Analytical Chemistry, 9th edition, 21G-4).
 * The volume itself comes from a curve through the points around the jump.
 */
final readonly class EquivalenceFinder
{
    /** A jump stands out from the slope on both its sides by at least this share of its own height. */
    private const MIN_PROMINENCE = 0.35;

    /** ... and by this many standard errors of a slope between two readings. */
    private const MIN_SIGNIFICANCE = 6.0;

    /** ... and lifts the pH by at least this much from foot to shoulder. */
    private const MIN_RISE_PH = 0.5;

    /** Readings of a burette are good to about half its smallest division of 0.05 mL, as a standard uncertainty. */
    public const BURETTE_ML = 0.01;

    /** @param  float  $volumeUncertainty  standard uncertainty of one burette reading, mL */
    public function __construct(private float $volumeUncertainty = self::BURETTE_ML)
    {
    }

    /**
     * @return list<EquivalencePoint> in order of volume; empty when no jump stands out from the noise
     */
    public function find(TitrationCurve $curve): array
    {
        $slopes = $curve->points->derivative();
        $rising = array_map(static fn (float $s): float => $s * $curve->direction(), $slopes->y);

        $zeros = [];
        foreach ($this->peaks($curve, $slopes->x, $rising) as $peak) {
            $zero = self::signChange($curve->points, $peak, $curve->direction());
            if ($zero !== null) {
                $zeros[] = [$peak, ...$zero];
            }
        }
        $found = [];
        foreach ($zeros as $i => [$peak, $volume, $from, $to]) {
            $found[] = $this->pointAt($curve, $peak, $volume, $from, $to, $zeros[$i - 1][1] ?? 0.0, $zeros[$i + 1][1] ?? null);
        }

        return $found;
    }

    /**
     * @param  list<float>  $at  volumes of the slopes, mL
     * @param  list<float>  $slopes  pH per mL, positive in the sense of the jump
     * @return list<int> indices of slopes that are the top of a jump
     */
    private function peaks(TitrationCurve $curve, array $at, array $slopes): array
    {
        $peaks = [];
        for ($i = 1, $n = count($slopes); $i < $n - 1; $i++) {
            if ($slopes[$i] <= $slopes[$i - 1] || $slopes[$i] < $slopes[$i + 1]) {
                continue;
            }
            $left = $this->saddle($slopes, $i, -1);
            $right = $this->saddle($slopes, $i, 1);
            $prominence = $slopes[$i] - max($slopes[$left], $slopes[$right]);
            $step = $curve->points->x[$i + 1] - $curve->points->x[$i];
            $slopeError = sqrt(2.0) * $curve->noise / $step;
            $rise = $this->rise($curve->points, $slopes, $i);
            if ($prominence >= self::MIN_PROMINENCE * $slopes[$i]
                && $prominence >= self::MIN_SIGNIFICANCE * $slopeError
                && $rise >= self::MIN_RISE_PH) {
                $peaks[] = $i;
            }
        }

        return $peaks;
    }

    /**
     * The lowest slope between a peak and the next higher one (or the end) on one side.
     *
     * @param  list<float>  $slopes
     */
    private function saddle(array $slopes, int $peak, int $side): int
    {
        $lowest = $peak;
        for ($i = $peak + $side; isset($slopes[$i]) && $slopes[$i] <= $slopes[$peak]; $i += $side) {
            if ($slopes[$i] < $slopes[$lowest]) {
                $lowest = $i;
            }
        }

        return $lowest;
    }

    /**
     * pH change over the neighbourhood of a peak where the slope stays above half of its top.
     *
     * @param  list<float>  $slopes
     */
    private function rise(Series $points, array $slopes, int $peak): float
    {
        $first = $peak;
        while ($first > 0 && $slopes[$first - 1] > $slopes[$peak] / 2) {
            $first--;
        }
        $last = $peak;
        while ($last < count($slopes) - 1 && $slopes[$last + 1] > $slopes[$peak] / 2) {
            $last++;
        }

        return abs($points->y[$last + 1] - $points->y[$first]);
    }

    private function pointAt(TitrationCurve $curve, int $peak, float $zero, float $from, float $to, float $before, ?float $after): EquivalencePoint
    {
        $step = ($curve->points->x[$peak + 2] - $curve->points->x[$peak - 1]) / 3.0;

        $straight = Measured::of(
            $zero,
            hypot(hypot($step / sqrt(12.0), $this->noiseShare($curve, $peak, $zero)), $this->volumeUncertainty),
            Unit::parse('mL'),
        );
        $local = LocalJump::volume($curve, $peak, $zero, $before, $after);
        // Should the curve lead away from the sign change, it does not describe this jump.
        $volume = $local === null || abs($local[0] - $zero) > 2.0 * $step
            ? $straight : Measured::of($local[0], hypot($local[1], $this->volumeUncertainty), Unit::parse('mL'));

        return new EquivalencePoint(
            volume: $volume,
            straight: $straight,
            ph: $curve->points->at($volume->value) ?? $curve->points->y[$peak],
            from: $from,
            to: $to,
            step: $step,
        );
    }

    /** Standard uncertainty of the zero in mL from the noise of the four readings it rests on, to first order. */
    private function noiseShare(TitrationCurve $curve, int $peak, float $volume): float
    {
        $sum = 0.0;
        $small = max($curve->noise, 1e-4) / 10.0;
        for ($i = $peak - 1; $i <= $peak + 2; $i++) {
            $y = $curve->points->y;
            $y[$i] += $small;
            $moved = self::signChange(Series::of($curve->points->x, array_values($y)), $peak, $curve->direction());
            if ($moved !== null) {
                $sum += (($moved[0] - $volume) / $small * $curve->noise) ** 2;
            }
        }

        return sqrt($sum);
    }

    /**
     * Where the second derivative passes from positive to negative at a peak of the first.
     *
     * @return array{float, float, float}|null the zero and its two neighbours, mL; null if there is no change of sign
     */
    private static function signChange(Series $points, int $peak, int $direction): ?array
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
