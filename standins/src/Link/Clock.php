<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

/** The bench's own clock in Unix seconds; it may run faster than the wall clock. */
final class Clock
{
    public const SPEEDS = [1, 10, 60];

    private float $bench;

    private float $wall;

    public function __construct(float $now, private int $speed = 1)
    {
        $this->bench = $now;
        $this->wall = $now;
    }

    public function at(float $wallNow): float
    {
        return $this->bench + ($wallNow - $this->wall) * $this->speed;
    }

    public function setSpeed(int $speed, float $wallNow): void
    {
        $this->bench = $this->at($wallNow);
        $this->wall = $wallNow;
        $this->speed = $speed;
    }

    /** Goes on from an earlier time than it would tell: what the bench could not keep up with is still to come. */
    public function holdAt(float $bench, float $wallNow): void
    {
        $this->bench = $bench;
        $this->wall = $wallNow;
    }

    /** Goes on by so many seconds at once. */
    public function skip(float $seconds): void
    {
        $this->bench += $seconds;
    }

    public function speed(): int
    {
        return $this->speed;
    }
}
