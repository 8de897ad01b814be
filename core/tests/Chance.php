<?php

declare(strict_types=1);

namespace Welkion\Core\Tests;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Random numbers that come out the same in every run. */
final class Chance
{
    private Randomizer $randomizer;

    public function __construct(int $seed)
    {
        $this->randomizer = new Randomizer(new Mt19937($seed));
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * ($this->randomizer->getInt(0, 1 << 30) + 0.5) / ((1 << 30) + 1.0);
    }

    /** A normal error of standard deviation 1 (Box and Muller, Ann. Math. Statist. 29, 1958). */
    public function normal(): float
    {
        return sqrt(-2.0 * log($this->between(0.0, 1.0))) * cos($this->between(0.0, 2.0 * M_PI));
    }

    /**
     * @template T
     *
     * @param  list<T>  $values
     * @return list<T>
     */
    public function shuffled(array $values): array
    {
        return $this->randomizer->shuffleArray($values);
    }
}
