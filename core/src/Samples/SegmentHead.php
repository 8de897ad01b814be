<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** What is known of a segment without reading its samples. */
final readonly class SegmentHead
{
    /**
     * @param  int|string  $key  by which a store finds it again
     * @param  float  $t0  clock of the bench at its first sample, s
     * @param  float  $end  at its last
     * @param  float|null  $dt  s between samples; null where they are uneven
     * @param  Moments  $moments  of all its samples, times counted from $t0
     */
    public function __construct(
        public int|string $key,
        public int $count,
        public float $t0,
        public float $end,
        public ?float $dt,
        public Moments $moments,
    ) {
    }

    /** s between two samples, on average. */
    public function step(): float
    {
        return $this->count > 1 ? ($this->end - $this->t0) / ($this->count - 1) : 0.0;
    }
}
