<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Fitting\StraightLine;

/** Whether a signal has come to rest: its drift and scatter over the last window. */
final readonly class Steadiness
{
    /** Fewer samples than this in a window say nothing about drift. */
    private const MIN_SAMPLES = 5;

    /** A window counts as full when it spans this share of its length; the rest is the gap between samples. */
    private const FULL_SHARE = 0.9;

    /** A noisy signal is judged over at most this many windows. */
    private const MOST_WINDOWS = 4;

    private function __construct(
        public bool $isSteady,
        public float $driftPerMinute,
        public float $scatter,
        public float $mean,
        public int $count,
        public bool $isWindowFull,
    ) {
    }

    /**
     * Judges by a least-squares line over the last window: its slope is the drift, the standard deviation about it
     * the scatter. Where noise hides the drift the window is doubled, up to four times, so that a noisy signal is
     * called steady late rather than wrongly. Once steady, it takes twice the limits to lose it.
     *
     * @param  list<float>  $seconds  rising; all samples since something was last changed
     * @param  list<float>  $values  same length as $seconds
     * @param  bool  $wasSteady  whether it was called steady a moment ago
     */
    public static function of(array $seconds, array $values, SteadyLimits $limits, bool $wasSteady = false): self
    {
        [$x, $y] = self::lastSeconds($seconds, $values, $limits->windowS);
        if (count($x) < self::MIN_SAMPLES || $x[count($x) - 1] === $x[0]) {
            return new self(false, 0.0, 0.0, $y === [] ? 0.0 : array_sum($y) / count($y), count($x), false);
        }
        $near = StraightLine::through($x, $y);
        $line = $near;
        for ($window = $limits->windowS; $window < self::MOST_WINDOWS * $limits->windowS; $window *= 2) {
            if (60.0 * $line->slopeError <= $limits->driftPerMinute / 2) {
                break;
            }
            [$x, $y] = self::lastSeconds($seconds, $values, 2 * $window);
            $line = StraightLine::through($x, $y);
        }
        $isFull = self::FULL_SHARE * $window <= $x[count($x) - 1] - $x[0];
        $drift = 60.0 * $line->slope;
        $isSteady = $wasSteady
            ? abs($drift) <= 2 * $limits->driftPerMinute && $near->scatter <= 2 * $limits->scatter
            : abs($drift) + 60.0 * $line->slopeError <= $limits->driftPerMinute && $near->scatter <= $limits->scatter;

        return new self($isFull && $isSteady, $drift, $near->scatter, $near->meanY, $near->count, $isFull);
    }

    /**
     * @param  list<float>  $seconds
     * @param  list<float>  $values
     * @return array{list<float>, list<float>}
     */
    private static function lastSeconds(array $seconds, array $values, float $lengthS): array
    {
        $count = count($seconds);
        $first = $count;
        while ($first > 0 && $seconds[$first - 1] > $seconds[$count - 1] - $lengthS) {
            $first--;
        }

        return [array_slice($seconds, $first), array_slice($values, $first)];
    }
}
