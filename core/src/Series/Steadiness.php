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
     * Judges the samples of the last window by a least-squares line: its slope is the drift, the standard
     * deviation about it the scatter. A drift within twice its own standard error of zero cannot be told
     * from noise, but only counts as steady while it is below the limit.
     *
     * @param  list<float>  $seconds  rising
     * @param  list<float>  $values  same length as $seconds
     */
    public static function of(array $seconds, array $values, SteadyLimits $limits): self
    {
        $count = count($seconds);
        if ($count === 0) {
            return new self(false, 0.0, 0.0, 0.0, 0, false);
        }
        $first = 0;
        $start = $seconds[$count - 1] - $limits->windowS;
        while ($seconds[$first] < $start) {
            $first++;
        }
        $x = array_slice($seconds, $first);
        $y = array_slice($values, $first);
        $mean = array_sum($y) / count($y);
        $span = $x[count($x) - 1] - $x[0];
        if (count($x) < self::MIN_SAMPLES || $span <= 0.0) {
            return new self(false, 0.0, 0.0, $mean, count($x), false);
        }

        $line = StraightLine::through($x, $y);
        $drift = $line->slope * 60.0;
        $isFull = $span >= self::FULL_SHARE * $limits->windowS;

        return new self(
            isSteady: $isFull && abs($drift) <= $limits->driftPerMinute && $line->scatter <= $limits->scatter,
            driftPerMinute: $drift,
            scatter: $line->scatter,
            mean: $mean,
            count: count($x),
            isWindowFull: $isFull,
        );
    }
}
