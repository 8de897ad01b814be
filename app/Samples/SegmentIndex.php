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
 * samples are and what the whole ones among them have together. Heads are keyed by the number of their first sample.
 */
final readonly class SegmentIndex
{
    /** Numbers of a segment: first number, beginning, end and step (not a number where it is uneven), and its moments. */
    private const NUMBERS = 4 + Moments::NUMBERS;

    /** @param  array<int, SegmentHead>  $heads  as the samples were recorded */
    private function __construct(public array $heads)
    {
    }

    public static function of(int $channel, ConnectionInterface $database): self
    {
        $heads = [];
        $bytes = $database->table('sample_indexes')->where('run_channel_id', $channel)->value('heads');
        $numbers = is_string($bytes) ? Packed::numbers($bytes) : [];
        for ($i = 0, $n = count($numbers); $i < $n; $i += self::NUMBERS) {
            [$first, $t0, $end, $dt] = [(int) $numbers[$i], $numbers[$i + 1], $numbers[$i + 2], $numbers[$i + 3]];
            $heads[$first] = new SegmentHead($first, (int) $numbers[$i + 4], $t0, $end, is_nan($dt) ? null : $dt, Moments::ofNumbers(array_slice($numbers, $i + 4, Moments::NUMBERS))[0]);
        }

        return new self($heads);
    }

    /** @param  array<int, Segment>  $segments  that are new, or have grown, by the number of their first sample */
    public function with(array $segments): self
    {
        $heads = $this->heads;
        foreach ($segments as $first => $segment) {
            $heads[$first] = $segment->head($first);
        }
        ksort($heads);

        return new self($heads);
    }

    /** In the transaction that writes the segments. */
    public function write(int $channel, ConnectionInterface $database): void
    {
        $numbers = array_map(static fn (SegmentHead $h): array => [(float) $h->key, $h->t0, $h->end, $h->dt ?? NAN, ...$h->moments->numbers()], array_values($this->heads));
        $database->table('sample_indexes')->upsert([['run_channel_id' => $channel, 'heads' => Packed::of(array_merge([], ...$numbers))]], ['run_channel_id']);
    }

    /** @return list<array{int, int}> first and last number of each segment that has samples after a number */
    public function ranges(int $after): array
    {
        $ranges = array_map(static fn (SegmentHead $h): array => [(int) $h->key, (int) $h->key + $h->count - 1], array_values($this->heads));

        return array_values(array_filter($ranges, static fn (array $range): bool => $range[1] > $after));
    }
}
