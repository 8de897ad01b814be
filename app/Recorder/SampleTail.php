<?php

declare(strict_types=1);

namespace App\Recorder;

/** The last stretch of a channel: times in s, rising, and values. Old ones are dropped in batches, so adding stays cheap. */
final class SampleTail
{
    /** @var list<float> */
    private array $times = [];

    /** @var list<float> */
    private array $values = [];

    public function __construct(private readonly float $keptS)
    {
    }

    public function add(float $time, float $value): void
    {
        $this->times[] = $time;
        $this->values[] = $value;
        if ($time - $this->times[0] > 2.0 * $this->keptS) {
            $first = $this->firstAfter($time - $this->keptS);
            $this->times = array_slice($this->times, $first);
            $this->values = array_slice($this->values, $first);
        }
    }

    public function latestTime(): ?float
    {
        return array_last($this->times);
    }

    public function latestValue(): ?float
    {
        return array_last($this->values);
    }

    public function count(): int
    {
        return count($this->times);
    }

    /** @return array{list<float>, list<float>} times and values later than a moment */
    public function since(float $moment): array
    {
        $first = $this->firstAfter($moment);

        return [array_slice($this->times, $first), array_slice($this->values, $first)];
    }

    private function firstAfter(float $moment): int
    {
        $low = 0;
        $high = count($this->times);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->times[$middle] > $moment) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }
}
