<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Random\Randomizer;

/** Normally distributed noise from a source of randomness that a test can seed. */
final readonly class Noise
{
    public function __construct(private Randomizer $randomizer)
    {
    }

    /** A normal deviate of mean 0 and standard deviation 1 (Box and Muller, 1958). */
    public function next(): float
    {
        $u = $this->randomizer->getInt(1, PHP_INT_MAX) / PHP_INT_MAX;
        $v = $this->randomizer->getInt(0, PHP_INT_MAX) / PHP_INT_MAX;

        return sqrt(-2.0 * log($u)) * cos(2.0 * M_PI * $v);
    }
}
