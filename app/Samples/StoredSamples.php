<?php

declare(strict_types=1);

namespace App\Samples;

use App\Models\RunChannel;
use Illuminate\Database\ConnectionInterface;
use Welkion\Core\Samples\Levels;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Moments;
use Welkion\Core\Samples\Part;
use Welkion\Core\Samples\SampleStore;
use Welkion\Core\Samples\Segment;
use Welkion\Core\Samples\SegmentHead;
use Welkion\Core\Samples\SegmentsInMemory;

/** The samples of one channel of a run: its segments in MariaDB, and the newest blocks that are not filed yet. */
final readonly class StoredSamples implements SampleStore
{
    /**
     * @param  list<SegmentHead>  $heads  of the segments, keyed by their ids
     * @param  SegmentsInMemory  $newest  keyed by words, to be told from them
     */
    private function __construct(private ConnectionInterface $database, private array $heads, private SegmentsInMemory $newest)
    {
    }

    /** Both are read at one moment: what is filed meanwhile is neither seen twice nor missed. */
    public static function of(RunChannel $channel, ConnectionInterface $database): LongSeries
    {
        return $database->transaction(static function () use ($channel, $database): LongSeries {
            $segments = $database->table('sample_segments')->where('run_channel_id', $channel->id)->orderBy('first_seq')
                ->selectRaw('id, first_seq, `count`, t0, t1, dt, RIGHT(moments, ?) AS whole', [Moments::NUMBERS * Packed::BYTES])->get();
            $heads = array_values($segments->map(static fn (\stdClass $s): SegmentHead => new SegmentHead(
                (int) $s->id, (int) $s->count, (float) $s->t0, (float) $s->t1, $s->dt === null ? null : (float) $s->dt, Moments::ofNumbers(Packed::numbers($s->whole))[0] ?? Moments::none(),
            ))->all());
            $filed = array_values($segments->map(static fn (\stdClass $s): array => [(int) $s->first_seq, (int) $s->first_seq + (int) $s->count - 1])->all());
            $newest = [];
            foreach (Stretch::cut($database->table('sample_blocks')->where('run_channel_id', $channel->id)->orderBy('first_seq')->get(), $filed) as $i => $stretch) {
                $newest["newest {$i}"] = $stretch->segment();
            }

            return new LongSeries(new self($database, $heads, new SegmentsInMemory($newest)));
        });
    }

    public function heads(): array
    {
        return [...$this->heads, ...$this->newest->heads()];
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
        return $this->numbers(
            'envelope', $parts, static fn (Part $p): array => [2 * (Levels::offset($p->head->count, $level) + $p->from), 2 * $p->count],
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
            $rows = $this->database->table('sample_segments')->whereIn('id', array_keys($places))
                ->selectRaw("id, SUBSTRING({$column}, ?, ?) AS bytes", [1 + $from * Packed::BYTES, $count * Packed::BYTES])->get();
            foreach ($rows as $row) {
                $found[$places[(int) $row->id]] = Packed::numbers((string) $row->bytes);
            }
        }
        foreach ($newest === [] ? [] : array_combine(array_keys($newest), $ofNewest(array_values($newest))) as $i => $numbers) {
            $found[$i] = $numbers;
        }
        ksort($found);

        return array_values($found);
    }
}
