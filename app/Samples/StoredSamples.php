<?php

declare(strict_types=1);

namespace App\Samples;

use App\Models\RunChannel;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Query\Builder;
use Welkion\Core\Samples\Levels;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Moments;
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
    private function __construct(private ConnectionInterface $database, private int $channel, private SegmentsInMemory $newest)
    {
    }

    public static function of(RunChannel $channel, ConnectionInterface $database): LongSeries
    {
        if ($database->transactionLevel() === 0) {
            throw new \LogicException('Samples are read within a transaction, so that all of it is of one moment.');
        }
        $blocks = $database->table('sample_blocks')->where('run_channel_id', $channel->id)->orderBy('first_seq')->get();
        $filed = $blocks->isEmpty() ? [] : $database->table('sample_segments')->where('run_channel_id', $channel->id)
            ->whereRaw('first_seq + `count` > ?', [$blocks[0]->first_seq ?? 0])->orderBy('first_seq')->get(['first_seq', 'count'])
            ->map(static fn (\stdClass $s): array => [(int) $s->first_seq, (int) $s->first_seq + (int) $s->count - 1])->all();
        $newest = [];
        foreach (Stretch::cut($blocks, array_values($filed)) as $i => $stretch) {
            $newest["newest {$i}"] = $stretch->segment();
        }

        return new LongSeries(new self($database, $channel->id, new SegmentsInMemory($newest)));
    }

    public function count(): int
    {
        return (int) $this->segments()->sum('count') + $this->newest->count();
    }

    public function extent(): ?array
    {
        $filed = $this->segments()->selectRaw('MIN(t0) AS t0, MAX(t1) AS t1')->first();
        $ends = $this->newest->extent();
        if ($filed === null || $filed->t0 === null) {
            return $ends;
        }

        return $ends === null ? [(float) $filed->t0, (float) $filed->t1] : [min((float) $filed->t0, $ends[0]), max((float) $filed->t1, $ends[1])];
    }

    public function heads(float $from, float $to): array
    {
        $heads = [];
        // Hundreds of rows for a long run: no more than the driver is between them and their heads.
        $rows = $this->database->select('SELECT id, `count`, t0, t1, dt, whole FROM sample_segments WHERE run_channel_id = ? AND t1 >= ? AND t0 <= ? ORDER BY first_seq', [$this->channel, $from, $to]);
        foreach ($rows as $row) {
            $heads[] = new SegmentHead((int) $row->id, (int) $row->count, (float) $row->t0, (float) $row->t1, $row->dt === null ? null : (float) $row->dt, Moments::ofNumbers(Packed::numbers($row->whole))[0]);
        }

        return [...$heads, ...$this->newest->heads($from, $to)];
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

    private function segments(): Builder
    {
        return $this->database->table('sample_segments')->where('run_channel_id', $this->channel);
    }
}
