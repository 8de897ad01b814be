<?php

declare(strict_types=1);

namespace App\Samples;

use Welkion\Core\Samples\Packed;
use Welkion\Core\Samples\Segment;

/**
 * Samples of one channel that follow on each other without a missing number, a clock put back or a pause: what becomes a
 * segment.
 */
final class Stretch
{
    /** A pause between two samples so many times as long as the step before it begins a new segment. */
    private const PAUSE = 3.0;

    /**
     * @param  non-empty-list<float>  $times
     * @param  non-empty-list<float>  $values
     */
    private function __construct(public readonly int $firstSeq, private array $times, private array $values)
    {
    }

    /**
     * Cuts blocks into stretches; a sample that comes once more is passed over.
     *
     * @param  iterable<\stdClass>  $blocks  rows of sample_blocks, or segments read like them, of one channel, by first_seq
     * @param  list<array{int, int}>  $filed  first and last numbers of what is kept elsewhere
     * @return list<self>
     */
    public static function cut(iterable $blocks, array $filed = []): array
    {
        $stretches = [];
        $current = null;
        $newest = 0;
        $newestFiled = max([0, ...array_column($filed, 1)]);
        foreach ($blocks as $block) {
            $offsets = $block->times === null ? null : Packed::numbers($block->times);
            foreach (Packed::numbers($block->payload) as $i => $value) {
                $seq = (int) $block->first_seq + $i;
                if ($seq <= $newest || ($seq <= $newestFiled && self::isWithin($filed, $seq))) {
                    continue;
                }
                $newest = $seq;
                $time = (float) $block->t0 + ($offsets[$i] ?? $i * (float) $block->dt);
                if ($current === null || ! $current->goesOnWith($seq, $time)) {
                    $current = new self($seq, [$time], [$value]);
                    $stretches[] = $current;
                } else {
                    $current->times[] = $time;
                    $current->values[] = $value;
                }
            }
        }

        return $stretches;
    }

    public function segment(): Segment
    {
        return Segment::of($this->times, $this->values);
    }

    private function goesOnWith(int $seq, float $time): bool
    {
        $n = count($this->times);
        $step = $time - $this->times[$n - 1];
        $before = $n > 1 ? $this->times[$n - 1] - $this->times[$n - 2] : INF;

        return $seq === $this->firstSeq + $n && $n < Segment::SAMPLES && $step >= 0.0 && $step <= self::PAUSE * max($before, 1e-6);
    }

    /** @param  list<array{int, int}>  $ranges */
    private static function isWithin(array $ranges, int $seq): bool
    {
        foreach ($ranges as [$first, $last]) {
            if ($seq >= $first && $seq <= $last) {
                return true;
            }
        }

        return false;
    }
}
