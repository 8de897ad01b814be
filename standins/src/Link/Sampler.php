<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

/** One channel being read at a steady rate; remembers what it sent for whoever missed it. */
final class Sampler
{
    /** How long a reading is kept, in seconds of the wall clock. */
    public const KEPT_S = 120.0;

    /** @var list<array{seq: int, t: float, v: float, wall: float}> */
    private array $kept = [];

    private float $dueAt;

    /** @param  int  $nextSeq number of the first reading; higher than any this device gave before */
    public function __construct(
        private int $nextSeq,
        private float $rateHz,
        float $startAt,
    ) {
        $this->dueAt = $startAt;
    }

    public function dueAt(): float
    {
        return $this->dueAt;
    }

    /** Sets another rate; the next reading is due one new interval after the last. */
    public function setRate(float $rateHz): void
    {
        $this->dueAt += 1.0 / $rateHz - 1.0 / $this->rateHz;
        $this->rateHz = $rateHz;
    }

    /** @return array{seq: int, t: float, v: float, wall: float} */
    public function take(float $value, float $wallNow): array
    {
        $reading = ['seq' => $this->nextSeq++, 't' => $this->dueAt, 'v' => $value, 'wall' => $wallNow];
        $this->dueAt += 1.0 / $this->rateHz;
        $this->kept[] = $reading;
        // Dropping the old in batches keeps this cheap however fast the bench runs.
        if ($wallNow - $this->kept[0]['wall'] > 1.25 * self::KEPT_S) {
            $this->kept = array_values(array_filter(
                $this->kept,
                static fn (array $r): bool => $wallNow - $r['wall'] <= self::KEPT_S,
            ));
        }

        return $reading;
    }

    /** @return list<array{seq: int, t: float, v: float, wall: float}> kept readings with a number above $seq */
    public function after(int $seq): array
    {
        return array_values(array_filter($this->kept, static fn (array $r): bool => $r['seq'] > $seq));
    }
}
