<?php

declare(strict_types=1);

namespace App\Recorder\Timed;

/** How the raw signal of a probe becomes a number of a column, for whoever waits for a level of it: a straight line. */
final readonly class Scale
{
    public function __construct(public int $probeId, private float $offset, private float $slope)
    {
    }

    public function value(float $raw): float
    {
        return $this->offset + $this->slope * $raw;
    }
}
