<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Uncertainty\Median;

/**
 * Where a signal that is coming to rest is going, by y = end + a exp(-t/tau) through what it did since its last
 * large movement.
 *
 * End and a follow by linear least squares for each tau of a grid; every tau that the noise does not exclude counts
 * when the worst is asked for (a profile of the sum of squares; Bates and Watts, Nonlinear Regression Analysis,
 * 1988, 6.1).
 */
final readonly class Settling
{
    /** Pieces a window is cut into; their means carry the noise down and make the work independent of the rate. */
    private const PIECES = 10;

    private const MOST_WINDOWS = 6;

    private const FEWEST_PIECES = 8;

    /** Time constants tried, in windows; faster ones have died out within a window. */
    private const FASTEST = 0.15;

    private const SLOWEST = 8.0;

    /** From one time constant to the next. */
    private const RATIO = 1.2;

    /** A time constant beyond this many times what was seen of it cannot be judged. */
    private const SEEN_SHARE = 1.5;

    /** Rise of the sum of squares, in residual variances, at which a time constant is excluded: two standard deviations. */
    private const EXCLUDED_AT = 4.0;

    /** Standard errors by which a may be larger than its best value. */
    private const ERRORS = 2.0;

    /** A step between two pieces this many times the typical one is where the signal last moved. */
    private const MOVEMENT = 6.0;

    /**
     * @param  float  $bias  mean of the last window less the end, by the best time constant
     * @param  float  $worstBias  the largest of those the noise does not exclude, as a distance
     * @param  float  $timeConstant  s
     * @param  bool  $isSeen  whether the time constant lies inside what can be judged
     */
    private function __construct(
        public float $bias,
        public float $worstBias,
        public float $timeConstant,
        public bool $isSeen,
    ) {
    }

    /**
     * @param  list<float>  $seconds  rising
     * @param  list<float>  $values  same length as $seconds
     * @return self|null null while too little has been seen
     */
    public static function of(array $seconds, array $values, float $windowS): ?self
    {
        [$times, $means] = self::sinceMovement(...self::pieces($seconds, $values, $windowS / self::PIECES));
        $n = count($means);
        if ($n < self::FEWEST_PIECES) {
            return null;
        }
        $seen = $times[$n - 1] - $times[0];
        $trials = [];
        $slowest = min(self::SLOWEST * $windowS, self::SEEN_SHARE * $seen);
        for ($tau = self::FASTEST * $windowS; $tau <= $slowest; $tau *= self::RATIO) {
            $trials[] = [$tau, ...self::relaxation($times, $means, $tau)];
        }
        if ($trials === []) {
            return null;
        }
        $best = $trials[0];
        foreach ($trials as $trial) {
            $best = $trial[2] < $best[2] ? $trial : $best;
        }
        $variance = $best[2] / ($n - 3);
        $worst = 0.0;
        foreach ($trials as [$tau, $amplitude, $squares, $spread]) {
            if ($squares <= $best[2] + self::EXCLUDED_AT * $variance) {
                $largest = abs($amplitude) + self::ERRORS * sqrt($variance / $spread);
                $worst = max($worst, self::windowBias($largest, $tau, $windowS));
            }
        }

        return new self(
            self::windowBias($best[1], $best[0], $windowS), $worst, $best[0], $best[0] < $trials[count($trials) - 1][0],
        );
    }

    /** Mean of an exponential over the window that ends where it has the height a. */
    private static function windowBias(float $a, float $tau, float $windowS): float
    {
        return $a * $tau / $windowS * (exp($windowS / $tau) - 1.0);
    }

    /**
     * @param  list<float>  $times
     * @param  list<float>  $means
     * @return array{float, float, float} height at the last time, the sum of squares left, the spread of the exponential
     */
    private static function relaxation(array $times, array $means, float $tau): array
    {
        $n = count($times);
        $last = $times[$n - 1];
        $sf = $sff = $sy = $sfy = $syy = 0.0;
        $level = $means[$n - 1];
        foreach ($times as $i => $t) {
            $f = exp(($last - $t) / $tau);
            $y = $means[$i] - $level;
            $sf += $f;
            $sff += $f * $f;
            $sy += $y;
            $sfy += $f * $y;
            $syy += $y * $y;
        }
        $spread = $sff - $sf * $sf / $n;
        $a = ($sfy - $sf * $sy / $n) / $spread;

        return [$a, max(0.0, $syy - $sy * $sy / $n - $a * ($sfy - $sf * $sy / $n)), $spread];
    }

    /**
     * @param  list<float>  $seconds
     * @param  list<float>  $values
     * @return array{list<float>, list<float>} mean times and means of pieces of equal length, oldest first
     */
    private static function pieces(array $seconds, array $values, float $lengthS): array
    {
        $times = [];
        $means = [];
        $end = $seconds[count($seconds) - 1] ?? 0.0;
        $st = $sv = 0.0;
        $n = 0;
        $piece = 0;
        for ($i = count($seconds) - 1; $i >= 0; $i--) {
            $now = (int) (($end - $seconds[$i]) / $lengthS);
            if ($now !== $piece && $n > 0) {
                $times[] = $st / $n;
                $means[] = $sv / $n;
                $st = $sv = 0.0;
                $n = 0;
            }
            if ($now >= self::MOST_WINDOWS * self::PIECES) {
                break;
            }
            $piece = $now;
            $st += $seconds[$i];
            $sv += $values[$i];
            $n++;
        }
        if ($n > 0) {
            $times[] = $st / $n;
            $means[] = $sv / $n;
        }

        return [array_reverse($times), array_reverse($means)];
    }

    /**
     * @param  list<float>  $times
     * @param  list<float>  $means
     * @return array{list<float>, list<float>}
     */
    private static function sinceMovement(array $times, array $means): array
    {
        $steps = [];
        for ($i = 1, $n = count($means); $i < $n; $i++) {
            $steps[] = abs($means[$i] - $means[$i - 1]);
        }
        if ($steps === []) {
            return [$times, $means];
        }
        $largest = max($steps);
        if ($largest < self::MOVEMENT * Median::of($steps)) {
            return [$times, $means];
        }
        // The movement is over where the steps begin to shrink.
        $from = (int) array_search($largest, $steps, true) + 1;

        return [array_slice($times, $from), array_slice($means, $from)];
    }
}
