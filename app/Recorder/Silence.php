<?php

declare(strict_types=1);

namespace App\Recorder;

/**
 * Which channels of a bench have fallen silent on a line that nobody closed: a device out of reach of its network says no goodbye,
 * and its last value would stand on the screens for ever, steady.
 */
final class Silence
{
    private const AFTER_S = 3.0;

    /** A slow channel may leave out so many of its readings. */
    private const AFTER_READINGS = 3.0;

    /** Who was held up so long itself has not listened. */
    private const HELD_UP_S = 1.0;

    /** @var array<int, float> seconds on the wall by probe id */
    private array $allowed = [];

    /** @var array<int, float> wall clock when the last value came on this line, by probe id */
    private array $heardAt = [];

    private float $lookedAt = -INF;

    /** From now on it is read at this rate, in Hz on the wall. */
    public function expect(int $probeId, float $rate): void
    {
        $this->allowed[$probeId] = max(self::AFTER_S, self::AFTER_READINGS / $rate);
    }

    public function heard(int $probeId, float $now): void
    {
        $this->heardAt[$probeId] = $now;
    }

    /** Another line: what came over the last one says nothing about it. */
    public function begin(): void
    {
        $this->heardAt = [];
    }

    /** Whether what is known of a channel is old. */
    public function isOf(int $probeId, float $now): bool
    {
        return $now - ($this->heardAt[$probeId] ?? -INF) > ($this->allowed[$probeId] ?? self::AFTER_S);
    }

    /**
     * Looks whether the whole device has fallen silent: of the channels that are there and have spoken on this line, none does now. One that
     * never spoke says nothing about the line.
     *
     * @param  list<int>  $probeIds  those plugged in
     * @return float|null since when, wall clock
     */
    public function look(array $probeIds, float $now): ?float
    {
        $wasHeldUp = $now - $this->lookedAt > self::HELD_UP_S;
        $this->lookedAt = $now;
        $since = null;
        foreach ($wasHeldUp ? [] : $probeIds as $id) {
            if (! isset($this->heardAt[$id])) {
                continue;
            }
            if (! $this->isOf($id, $now)) {
                return null;
            }
            $since = max($since ?? -INF, $this->heardAt[$id]);
        }

        return $since;
    }
}
