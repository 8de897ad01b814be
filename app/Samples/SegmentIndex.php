<?php

declare(strict_types=1);

namespace App\Samples;

use Illuminate\Database\ConnectionInterface;
use Welkion\Core\Samples\Moments;
use Welkion\Core\Samples\Packed;
use Welkion\Core\Samples\Segment;
use Welkion\Core\Samples\SegmentHead;

/**
 * What is known of all segments of a channel, in one row beside them: however long a run is, one question tells where its
 * samples are and what the whole ones among them have together.
 *
 * A record of numbers for each segment as they were recorded; behind so many of them one that tells the same of them
 * together, by which they are passed over or taken as one.
 */
final readonly class SegmentIndex
{
    /** Numbers of a record: first sample, beginning, end and step (not a number where it is uneven), and moments. */
    private const NUMBERS = 4 + Moments::NUMBERS;

    private const RECORD = self::NUMBERS * Packed::BYTES;

    /** Segments that are told of together. */
    private const TOGETHER = 16;

    private function __construct(private string $bytes)
    {
    }

    public static function of(int $channel, ConnectionInterface $database): self
    {
        $bytes = $database->table('sample_indexes')->where('run_channel_id', $channel)->value('heads');

        return new self(is_string($bytes) ? $bytes : '');
    }

    /** @param  list<SegmentHead>  $heads  as they were recorded */
    public static function ofHeads(array $heads): self
    {
        $bytes = '';
        foreach (array_chunk($heads, self::TOGETHER) as $group) {
            foreach ($group as $head) {
                $bytes .= Packed::of([(float) $head->key, $head->t0, $head->end, $head->dt ?? NAN, ...$head->moments->numbers()]);
            }
            if (count($group) === self::TOGETHER) {
                $t0 = min(array_map(static fn (SegmentHead $h): float => $h->t0, $group));
                $end = max(array_map(static fn (SegmentHead $h): float => $h->end, $group));
                $moments = Moments::together(array_map(static fn (SegmentHead $h): Moments => $h->moments->later($h->t0 - $t0), $group));
                $bytes .= Packed::of([(float) $group[0]->key, $t0, $end, NAN, ...$moments->numbers()]);
            }
        }

        return new self($bytes);
    }

    /** @param  array<int, Segment>  $segments  that are new, or have grown, by the number of their first sample */
    public function with(array $segments): self
    {
        $heads = [];
        foreach ($this->heads() as $head) {
            $heads[(int) $head->key] = $head;
        }
        foreach ($segments as $first => $segment) {
            $heads[$first] = $segment->head($first);
        }
        ksort($heads);

        return self::ofHeads(array_values($heads));
    }

    /** In the transaction that writes the segments. */
    public function write(int $channel, ConnectionInterface $database): void
    {
        $database->table('sample_indexes')->upsert([['run_channel_id' => $channel, 'heads' => $this->bytes]], ['run_channel_id']);
    }

    /** @return list<SegmentHead> those of which a sample may lie between two moments, as they were recorded */
    public function heads(float $from = -INF, float $to = INF): array
    {
        $heads = [];
        foreach ($this->groups($from, $to) as $bytes) {
            $numbers = Packed::numbers($bytes);
            for ($i = 0, $n = count($numbers); $i < $n; $i += self::NUMBERS) {
                if ($numbers[$i + 2] >= $from && $numbers[$i + 1] <= $to) {
                    $heads[] = self::head($numbers, $i);
                }
            }
        }

        return $heads;
    }

    /** @return array{list<Moments>, list<SegmentHead>} see SampleStore; segments that lie in the span side by side may be one */
    public function span(float $from, float $to, float $edge): array
    {
        [$whole, $ends] = [[], []];
        foreach ($this->groups($from - $edge, $to + $edge) as $group => $bytes) {
            $together = $this->together($group);
            $numbers = $together !== null && $together[1] >= $from && $together[2] <= $to ? $together : Packed::numbers($bytes);
            for ($i = 0, $n = count($numbers); $i < $n; $i += self::NUMBERS) {
                [$t0, $end] = [$numbers[$i + 1], $numbers[$i + 2]];
                if ($t0 >= $from && $end <= $to) {
                    $whole[] = Moments::at($numbers, $i + 4, $t0 - $from);
                } elseif ($end >= $from - $edge && $t0 <= $to + $edge) {
                    $ends[] = self::head($numbers, $i);
                }
            }
        }

        return [$whole, $ends];
    }

    /** @return list<array{int, int}> first and last number of each segment that has samples after a number */
    public function ranges(int $after): array
    {
        $ranges = array_map(static fn (SegmentHead $h): array => [(int) $h->key, (int) $h->key + $h->count - 1], $this->heads());

        return array_values(array_filter($ranges, static fn (array $range): bool => $range[1] > $after));
    }

    /** @return iterable<int, string> records of the segments of each group that may have samples between two moments */
    private function groups(float $from, float $to): iterable
    {
        for ($group = 0; ($place = $this->place($group)) < strlen($this->bytes); $group++) {
            $together = $this->together($group);
            if ($together === null || ($together[2] >= $from && $together[1] <= $to)) {
                yield $group => substr($this->bytes, $place, self::TOGETHER * self::RECORD);
            }
        }
    }

    /** @return list<float>|null the record of a group together; null while it is not complete */
    private function together(int $group): ?array
    {
        $bytes = substr($this->bytes, $this->place($group) + self::TOGETHER * self::RECORD, self::RECORD);

        return $bytes === '' ? null : Packed::numbers($bytes);
    }

    private function place(int $group): int
    {
        return $group * (self::TOGETHER + 1) * self::RECORD;
    }

    /** @param  list<float>  $numbers */
    private static function head(array $numbers, int $place): SegmentHead
    {
        [$first, $t0, $end, $dt, $count] = array_slice($numbers, $place, 5);

        return new SegmentHead((int) $first, (int) $count, $t0, $end, is_nan($dt) ? null : $dt, Moments::at($numbers, $place + 4));
    }
}
