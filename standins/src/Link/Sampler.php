<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

/** One channel being read at a steady rate; remembers what it sent for whoever missed it. */
final class Sampler
{
    /** How long a reading is kept, in seconds of the wall clock. */
    public const KEPT_S = 120.0;

    /** How many are kept at most: two minutes at 1,000 a second, some 50 MB. */
    public const MOST_KEPT = 120_000;

    /** Of an interval: a beat this little ahead is the last one, rounded. */
    private const SAME_BEAT = 1e-3;

    /** @var list<array{seq: int, t: float, v: float, wall: float}> */
    private array $kept = [];

    private float $dueAt;

    /** @param  int  $nextSeq number of the first reading; higher than any this device gave before */
    public function __construct(
        private int $nextSeq,
        private float $rateHz,
        float $startAt,
    ) {
        $this->dueAt = ceil($startAt * $rateHz) / $rateHz;
    }

    public function dueAt(): float
    {
        return $this->dueAt;
    }

    /** Sets another rate; the next reading is due at the next beat of it after the last, so that all channels of a rate keep one beat. */
    public function setRate(float $rateHz): void
    {
        if ($rateHz !== $this->rateHz) {
            $last = $this->dueAt - 1.0 / $this->rateHz;
            $this->dueAt = (floor($last * $rateHz + self::SAME_BEAT) + 1.0) / $rateHz;
            $this->rateHz = $rateHz;
        }
    }

    /** @return array{seq: int, t: float, v: float, wall: float} */
    public function take(float $value, float $wallNow): array
    {
        $reading = ['seq' => $this->nextSeq++, 't' => $this->dueAt, 'v' => $value, 'wall' => $wallNow];
        $this->dueAt = (round($this->dueAt * $this->rateHz) + 1.0) / $this->rateHz;
        $this->kept[] = $reading;
        // Dropping the old in batches keeps this cheap however fast the bench runs.
        if ($wallNow - $this->kept[0]['wall'] > 1.25 * self::KEPT_S || count($this->kept) > 1.25 * self::MOST_KEPT) {
            $this->kept = array_values(array_filter(
                array_slice($this->kept, -self::MOST_KEPT),
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
