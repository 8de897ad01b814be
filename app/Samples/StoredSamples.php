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
    /** Different stretches of bytes that are asked for in one question. */
    private const AT_ONCE = 50;

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
        return array_sum(array_map(static fn (SegmentHead $h): int => $h->count, $this->filed->heads())) + $this->newest->count();
    }

    public function extent(): ?array
    {
        $heads = $this->filed->heads();
        $starts = array_map(static fn (SegmentHead $h): float => $h->t0, $heads);
        $ends = array_map(static fn (SegmentHead $h): float => $h->end, $heads);
        $newest = $this->newest->extent();
        if ($newest !== null) {
            [$starts[], $ends[]] = $newest;
        }

        return $starts === [] || $ends === [] ? null : [min($starts), max($ends)];
    }

    public function heads(float $from, float $to): array
    {
        return [...$this->filed->heads($from, $to), ...$this->newest->heads($from, $to)];
    }

    public function span(float $from, float $to, float $edge): array
    {
        [$whole, $ends] = $this->filed->span($from, $to, $edge);
        [$newest, $newestEnds] = $this->newest->span($from, $to, $edge);

        return [[...$whole, ...$newest], [...$ends, ...$newestEnds]];
    }

    public function values(array $parts): array
    {
        return $this->numbers($parts, static fn (Part $p): array => [...SegmentValues::of($p->from, $p->count), $p->count], $this->newest->values(...));
    }

    public function offsets(array $parts): array
    {
        return $this->numbers($parts, static fn (Part $p): array => ['offsets', $p->from, $p->count], $this->newest->offsets(...));
    }

    public function envelopes(int $level, array $parts): array
    {
        $isOutline = $level >= Filing::OUTLINE_FROM;
        $begins = static fn (int $count): int => Levels::offset($count, $level) - ($isOutline ? Levels::offset($count, Filing::OUTLINE_FROM) : 0);

        return $this->numbers(
            $parts, static fn (Part $p): array => [$isOutline ? 'outline' : 'envelope', 2 * ($begins($p->head->count) + $p->from), 2 * $p->count],
            fn (array $newest): array => $this->newest->envelopes($level, $newest),
        );
    }

    public function moments(int $of, array $parts): array
    {
        $numbers = $this->numbers(
            $parts, static fn (Part $p): array => ['moments', Moments::NUMBERS * (Segment::momentsOffset($p->head->count, $of) + $p->from), Moments::NUMBERS * $p->count],
            fn (array $newest): array => array_map(
                static fn (array $all): array => array_merge([], ...array_map(static fn (Moments $m): array => $m->numbers(), $all)), $this->newest->moments($of, $newest),
            ),
        );

        return array_map(Moments::ofNumbers(...), $numbers);
    }

    /**
     * Numbers of segments, in as few questions as can be.
     *
     * @param  list<Part>  $parts
     * @param  \Closure(Part): array{string, int, int}  $where  column, first number and how many
     * @param  \Closure(list<Part>): list<list<float>>  $ofNewest
     * @return list<list<float>> for each part
     */
    private function numbers(array $parts, \Closure $where, \Closure $ofNewest): array
    {
        $found = [];
        $asked = [];
        $newest = [];
        foreach ($parts as $i => $part) {
            if (is_int($part->head->key)) {
                $stretch = $where($part);
                $asked[implode(' ', $stretch)] ??= ['stretch' => $stretch, 'places' => []];
                $asked[implode(' ', $stretch)]['places'][$part->head->key] = $i;
            } else {
                $newest[$i] = $part;
            }
        }
        foreach (array_chunk($asked, self::AT_ONCE) as $some) {
            foreach ($this->stretches($some) as $row) {
                $found[$some[(int) $row->stretch]['places'][(int) $row->first_seq]] = Packed::numbers((string) $row->bytes);
            }
        }
        foreach ($newest === [] ? [] : array_combine(array_keys($newest), $ofNewest(array_values($newest))) as $i => $numbers) {
            $found[$i] = $numbers;
        }
        ksort($found);

        return array_values($found);
    }

    /**
     * Pieces of columns in one question: each question costs the way there and back.
     *
     * @param  non-empty-list<array{stretch: array{string, int, int}, places: non-empty-array<int, int>}>  $asked  places: segments by their first number
     * @return array<\stdClass> stretch, first_seq, bytes
     */
    private function stretches(array $asked): array
    {
        $parts = [];
        $bindings = [];
        foreach ($asked as $i => ['stretch' => [$column, $from, $count], 'places' => $places]) {
            $parts[] = "SELECT {$i} AS stretch, first_seq, SUBSTRING({$column}, ?, ?) AS bytes FROM sample_segments WHERE run_channel_id = ? AND first_seq IN (".implode(',', array_fill(0, count($places), '?')).')';
            array_push($bindings, 1 + $from * Packed::BYTES, $count * Packed::BYTES, $this->channel, ...array_keys($places));
        }

        return $this->database->select(implode(' UNION ALL ', $parts), $bindings);
    }
}
