<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

/** How many samples of which run channels, and since when. */
final class Tally
{
    /** @var array<int, int> by run channel */
    private array $counts = [];

    private ?float $since = null;

    private ?float $until = null;

    /** @param  array<int, int>  $counts by run channel */
    public function add(array $counts, float $at): void
    {
        foreach ($counts as $channel => $count) {
            $this->counts[$channel] = ($this->counts[$channel] ?? 0) + $count;
        }
        $this->since ??= $at;
        $this->until = $at;
    }

    public function clear(): void
    {
        $this->counts = [];
        $this->since = $this->until = null;
    }

    /** @param  list<int>  $channels  run channels */
    public function of(array $channels): int
    {
        return array_sum(array_intersect_key($this->counts, array_flip($channels)));
    }

    /** Wall clock, s. */
    public function since(): ?float
    {
        return $this->since;
    }

    public function until(): ?float
    {
        return $this->until;
    }
}
