<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Linear\StraightLine;

/** Whether a signal has come to rest: its drift and scatter over the last window, and where it is going. */
final readonly class Steadiness
{
    /** Fewer samples than this in a window say nothing about drift. */
    private const MIN_SAMPLES = 5;

    /** A window counts as full when it spans this share of its length; the rest is the gap between samples. */
    private const FULL_SHARE = 0.9;

    /** A noisy signal is judged over at most this many windows. */
    private const MOST_WINDOWS = 4;

    /**
     * The way left must look shorter than this share of the tolerance: it is looked at again and again, and the
     * first look that is short enough is often a lucky one; the noise of the mean itself needs room as well.
     */
    private const SAFE_SHARE = 0.6;

    /** A drift of so many of its standard errors is no noise. */
    private const SEEN_ERRORS = 3.0;

    /** Waiting times beyond this are not told: a signal may do anything in the meantime. */
    private const LONGEST_WAIT_S = 600.0;

    /**
     * @param  float|null  $secondsMore  how long it will probably take to be steady; null when that cannot be told yet
     * @param  bool  $isMoving  whether it drifts by more than noise explains
     */
    private function __construct(
        public bool $isSteady,
        public float $driftPerMinute,
        public float $scatter,
        public float $mean,
        public int $count,
        public bool $isWindowFull,
        public ?float $secondsMore,
        public bool $isMoving = false,
    ) {
    }

    /**
     * Judges by a least-squares line over the last window: its slope is the drift, the standard deviation about it
     * the scatter. Where noise hides the drift the window is doubled, up to four times, so that a noisy signal is
     * called steady late rather than wrongly. A slow signal can drift little and still have far to go: so the mean
     * of the window must also lie within the tolerance of where the signal is going (Settling). Once steady, it
     * takes twice the limits of drift and scatter to lose it, beyond what the noise of one window may do.
     *
     * @param  list<float>  $seconds  rising; all samples since something was last changed
     * @param  list<float>  $values  same length as $seconds
     * @param  bool  $wasSteady  whether it was called steady a moment ago
     */
    public static function of(array $seconds, array $values, SteadyLimits $limits, bool $wasSteady = false): self
    {
        $windowS = $limits->windowS;
        [$x, $y] = self::lastSeconds($seconds, $values, $windowS);
        if (count($x) < self::MIN_SAMPLES || $x[count($x) - 1] === $x[0]) {
            return new self(false, 0.0, 0.0, $y === [] ? 0.0 : array_sum($y) / count($y), count($x), false, null);
        }
        $near = StraightLine::through($x, $y);
        $isNearFull = self::FULL_SHARE * $windowS <= $x[count($x) - 1] - $x[0];
        $limits = $limits->at($near->meanY);
        $line = $near;
        for ($window = $windowS; $window < self::MOST_WINDOWS * $windowS; $window *= 2) {
            if (60.0 * $line->slopeError <= $limits->driftPerMinute / 2) {
                break;
            }
            [$x, $y] = self::lastSeconds($seconds, $values, 2 * $window);
            $line = StraightLine::through($x, $y);
        }
        $span = $x[count($x) - 1] - $x[0];
        $isFull = self::FULL_SHARE * $window <= $span;
        $drift = 60.0 * $line->slope;
        if ($wasSteady && $near->scatter <= 2 * $limits->scatter) {
            $allowed = 2 * $limits->driftPerMinute;
            $nearDrift = 60.0 * $near->slope;
            // A longer window that noise asks for now must not take back what a full one has said: it may reach back to
            // where the signal still moved. Nor must the noise of the short one.
            $isStill = abs($drift) <= $allowed || abs($nearDrift) <= $allowed + 2 * 60.0 * $near->slopeError;
            if ($isStill) {
                $shown = abs($drift) <= $allowed ? $drift : $nearDrift;

                return new self($isNearFull, $shown, $near->scatter, $near->meanY, $near->count, $isNearFull, $isNearFull ? 0.0 : null);
            }
        }
        $settling = Settling::of($seconds, $values, $windowS);
        $isSteady = $isFull && $settling !== null && $settling->worstBias <= self::SAFE_SHARE * $limits->tolerance
            && abs($drift) + 60.0 * $line->slopeError <= $limits->driftPerMinute && $near->scatter <= $limits->scatter;

        return new self(
            $isSteady, $drift, $near->scatter, $near->meanY, $near->count, $isFull,
            $isSteady ? 0.0 : self::waiting($settling, $drift, $limits, max(0.0, $window - $span)),
            ! $isSteady && abs($line->slope) > self::SEEN_ERRORS * $line->slopeError,
        );
    }

    /** Until the last of what is missing has come: the window, the drift's decay, the way left to go. */
    private static function waiting(?Settling $settling, float $drift, SteadyLimits $limits, float $windowLeftS): ?float
    {
        if ($settling === null || ! $settling->isSeen) {
            return null;
        }
        $wait = max(
            $windowLeftS,
            $settling->timeConstant * log(max(1.0, abs($settling->bias) / (self::SAFE_SHARE * $limits->tolerance))),
            $settling->timeConstant * log(max(1.0, abs($drift) / $limits->driftPerMinute)),
        );

        return $wait > 0.0 && $wait <= self::LONGEST_WAIT_S ? $wait : null;
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
