<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/**
 * The clock of a device, told by when its samples arrive.
 *
 * A sample arrives a little after it was measured, now more, now less, never before. So the quickest ones say best how far
 * the clock on the wall is ahead of that of the device; how much quicker they are than the usual ones says how well. A part
 * of the way that all samples need alike cannot be seen; between two devices of one network it is much the same, and drops
 * out of their difference.
 *
 * The least delay of a window is the usual filter of clock comparisons over a network (D. L. Mills, "Internet time
 * synchronization: the Network Time Protocol", IEEE Trans. Commun. 39, 1482, 1991).
 */
final class ArrivalClock
{
    /** Looked at so far back, in s on the wall. */
    private const WINDOW_S = 10.0;

    /** No judgement from less. */
    private const LEAST_S = 1.0;

    private const LEAST_COUNT = 4;

    /** One arrival in so many s is enough, however fast a channel is. */
    private const THINNED_S = 0.02;

    /** A clock that goes wrong by more than a thousandth goes at another pace: no quartz does. */
    private const LARGEST_RATE = 1e-3;

    /** The window is compared with itself in so many parts. */
    private const PARTS = 4;

    /** @var list<array{float, float}> arrival and how far the wall is ahead, both in s; in order of arrival */
    private array $arrivals = [];

    /**
     * @param  float  $time  of the sample by the clock of the device, s
     * @param  float  $arrival  by the clock on the wall, s; not before the last one
     */
    public function saw(float $time, float $arrival): void
    {
        $last = count($this->arrivals) - 1;
        if ($last >= 0 && $arrival - $this->arrivals[$last][0] < self::THINNED_S) {
            $this->arrivals[$last][1] = min($this->arrivals[$last][1], $arrival - $time);

            return;
        }
        $this->arrivals[] = [$arrival, $arrival - $time];
        while ($this->arrivals[0][0] < $arrival - self::WINDOW_S) {
            array_shift($this->arrivals);
        }
    }

    /**
     * How far the clock on the wall is ahead of that of the device, in s, its ± half the distance between the quickest and
     * the usual arrival.
     *
     * @return Measured|null null before it can be told, and for a clock that goes at another pace than the one on the wall
     */
    public function behind(): ?Measured
    {
        $count = count($this->arrivals);
        if ($count < self::LEAST_COUNT) {
            return null;
        }
        [$first, $newest] = [$this->arrivals[0][0], $this->arrivals[$count - 1][0]];
        if ($newest - $first < self::LEAST_S) {
            return null;
        }
        $delays = array_column($this->arrivals, 1);
        sort($delays);
        $least = $delays[0];
        $usual = $delays[intdiv($count, 2)] - $least;
        if (self::isDrifting($this->arrivals, $first, ($newest - $first) / self::PARTS)) {
            return null;
        }

        return Measured::of($least, 0.5 * $usual, Unit::parse('s'));
    }

    /** What came before, by a clock that was put right or at another pace, says nothing of it any more. */
    public function forget(): void
    {
        $this->arrivals = [];
    }

    /**
     * Whether from part to part of the window even the quickest arrivals come ever later, or ever earlier.
     *
     * @param  list<array{float, float}>  $arrivals
     * @param  float  $from  first arrival, s
     * @param  float  $part  length of a part, s
     */
    private static function isDrifting(array $arrivals, float $from, float $part): bool
    {
        $least = array_fill(0, self::PARTS, INF);
        foreach ($arrivals as [$arrival, $delay]) {
            $at = min(self::PARTS - 1, (int) (($arrival - $from) / $part));
            $least[$at] = min($least[$at], $delay);
        }
        if (max($least) === INF) {
            return false;
        }
        $steps = [];
        for ($i = 1; $i < self::PARTS; $i++) {
            $steps[] = ($least[$i] - $least[$i - 1]) / $part;
        }

        return min($steps) > self::LARGEST_RATE || max($steps) < -self::LARGEST_RATE;
    }
}
