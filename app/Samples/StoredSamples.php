<?php

declare(strict_types=1);

namespace App\Samples;

use App\Models\RunChannel;
use Illuminate\Database\ConnectionInterface;
use Welkion\Core\Samples\Levels;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Moments;
use Welkion\Core\Samples\Packed;
use Welkion\Core\Samples\Part;
use Welkion\Core\Samples\SampleStore;
use Welkion\Core\Samples\Segment;
use Welkion\Core\Samples\SegmentHead;
use Welkion\Core\Samples\SegmentsInMemory;

/**
 * The samples of one channel of a run: its segments in MariaDB, and the newest blocks that are not filed yet.
 *
 * All is read in one transaction of whoever asks: what is filed meanwhile is then neither seen twice nor missed.
 */
final readonly class StoredSamples implements SampleStore
{
    /** @param  SegmentsInMemory  $newest  keyed by words, to be told from segments */
    private function __construct(private ConnectionInterface $database, private int $channel, private SegmentIndex $filed, private SegmentsInMemory $newest)
    {
    }

    public static function of(RunChannel $channel, ConnectionInterface $database): LongSeries
    {
        if ($database->transactionLevel() === 0) {
            throw new \LogicException('Samples are read within a transaction, so that all of it is of one moment.');
        }
        $blocks = $database->table('sample_blocks')->where('run_channel_id', $channel->id)->orderBy('first_seq')->get();
        $filed = SegmentIndex::of($channel->id, $database);
        $newest = [];
        foreach ($blocks->isEmpty() ? [] : Stretch::cut($blocks, $filed->ranges((int) $blocks[0]->first_seq - 1)) as $i => $stretch) {
            $newest["newest {$i}"] = $stretch->segment();
        }

        return new LongSeries(new self($database, $channel->id, $filed, new SegmentsInMemory($newest)));
    }

    public function count(): int
    {
        return array_sum(array_map(static fn (SegmentHead $h): int => $h->count, $this->filed->heads)) + $this->newest->count();
    }

    public function extent(): ?array
    {
        $starts = array_map(static fn (SegmentHead $h): float => $h->t0, $this->filed->heads);
        $ends = array_map(static fn (SegmentHead $h): float => $h->end, $this->filed->heads);
        $newest = $this->newest->extent();
        if ($newest !== null) {
            [$starts[], $ends[]] = $newest;
        }

        return $starts === [] || $ends === [] ? null : [min($starts), max($ends)];
    }

    public function heads(float $from, float $to): array
    {
        return [...array_filter($this->filed->heads, static fn (SegmentHead $h): bool => $h->end >= $from && $h->t0 <= $to), ...$this->newest->heads($from, $to)];
    }

    public function values(array $parts): array
    {
        return $this->numbers('payload', $parts, static fn (Part $p): array => [$p->from, $p->count], $this->newest->values(...));
    }

    public function offsets(array $parts): array
    {
        return $this->numbers('offsets', $parts, static fn (Part $p): array => [$p->from, $p->count], $this->newest->offsets(...));
    }

    public function envelopes(int $level, array $parts): array
    {
        $isOutline = $level >= Filing::OUTLINE_FROM;
        $begins = static fn (int $count): int => Levels::offset($count, $level) - ($isOutline ? Levels::offset($count, Filing::OUTLINE_FROM) : 0);

        return $this->numbers(
            $isOutline ? 'outline' : 'envelope', $parts, static fn (Part $p): array => [2 * ($begins($p->head->count) + $p->from), 2 * $p->count],
            fn (array $newest): array => $this->newest->envelopes($level, $newest),
        );
    }

    public function moments(int $of, array $parts): array
    {
        $numbers = $this->numbers(
            'moments', $parts, static fn (Part $p): array => [Moments::NUMBERS * (Segment::momentsOffset($p->head->count, $of) + $p->from), Moments::NUMBERS * $p->count],
            fn (array $newest): array => array_map(
                static fn (array $all): array => array_merge([], ...array_map(static fn (Moments $m): array => $m->numbers(), $all)), $this->newest->moments($of, $newest),
            ),
        );

        return array_map(Moments::ofNumbers(...), $numbers);
    }

    /**
     * Numbers out of one column, as few questions as there are different stretches of bytes.
     *
     * @param  list<Part>  $parts
     * @param  \Closure(Part): array{int, int}  $where  first number and how many
     * @param  \Closure(list<Part>): list<list<float>>  $ofNewest
     * @return list<list<float>> for each part
     */
    private function numbers(string $column, array $parts, \Closure $where, \Closure $ofNewest): array
    {
        $found = [];
        $asked = [];
        $newest = [];
        foreach ($parts as $i => $part) {
            if (is_int($part->head->key)) {
                [$from, $count] = $where($part);
                $asked["{$from} {$count}"][$part->head->key] = $i;
            } else {
                $newest[$i] = $part;
            }
        }
        foreach ($asked as $stretch => $places) {
            [$from, $count] = array_map(intval(...), explode(' ', $stretch));
            $rows = $this->database->table('sample_segments')->where('run_channel_id', $this->channel)->whereIn('first_seq', array_keys($places))
                ->selectRaw("first_seq, SUBSTRING({$column}, ?, ?) AS bytes", [1 + $from * Packed::BYTES, $count * Packed::BYTES])->get();
            foreach ($rows as $row) {
                $found[$places[(int) $row->first_seq]] = Packed::numbers((string) $row->bytes);
            }
        }
        foreach ($newest === [] ? [] : array_combine(array_keys($newest), $ofNewest(array_values($newest))) as $i => $numbers) {
            $found[$i] = $numbers;
        }
        ksort($found);

        return array_values($found);
    }
}
