<?php

declare(strict_types=1);

namespace App\Samples;

use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Collection;
use Welkion\Core\Samples\Levels;
use Welkion\Core\Samples\Packed;
use Welkion\Core\Samples\Segment;

/**
 * Puts the small blocks of a run together into segments with what is kept beside them, so that a long run is read by the
 * segment and a picture of it without its samples.
 *
 * Samples are at every moment in a block or in a segment, never in both: it is one transaction a channel. What is
 * delivered once more after it was filed is recognised by its number.
 */
final readonly class Filing
{
    /** While a run goes on its newest blocks are left for so long: filing them one by one would write each segment many times. */
    private const FROM_BLOCKS = 64;

    /** The first level of the outline; the finer ones are the envelope. */
    public const OUTLINE_FROM = 2;

    /** Blocks of one channel that are filed at once. */
    private const MOST_BLOCKS = 512;

    public function __construct(private ConnectionInterface $database)
    {
    }

    /**
     * @param  float  $forS  ends after a channel that was begun within so many seconds: whoever waits is not kept waiting
     * @return bool whether there is more to file
     */
    public function file(float $forS = INF): bool
    {
        $began = microtime(true);
        $due = $this->due();
        foreach ($due as $place => $channel) {
            if (microtime(true) - $began > $forS) {
                return true;
            }
            $this->database->transaction(fn () => $this->fileChannel($channel));
        }

        return $due !== [] && $this->due() !== [];
    }

    /** @return list<int> channels that have enough blocks, or whose run is over */
    private function due(): array
    {
        $channels = $this->database->table('sample_blocks')->join('run_channels', 'run_channels.id', '=', 'sample_blocks.run_channel_id')
            ->join('runs', 'runs.id', '=', 'run_channels.run_id')->groupBy('run_channel_id', 'runs.state')
            ->havingRaw('COUNT(*) >= ? OR runs.state <> ?', [self::FROM_BLOCKS, 'open'])->pluck('run_channel_id');

        return array_values($channels->map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0)->all());
    }

    private function fileChannel(int $channel): void
    {
        $blocks = $this->database->table('sample_blocks')->where('run_channel_id', $channel)->orderBy('first_seq')->limit(self::MOST_BLOCKS)->lockForUpdate()->get();
        $index = SegmentIndex::of($channel, $this->database);
        $open = $this->unfinished($channel, $index, $blocks);
        $ranges = array_filter($index->ranges(0), static fn (array $range): bool => $range[0] !== ($open === null ? null : (int) $open->first_seq));
        $segments = [];
        foreach (Stretch::cut([...($open === null ? [] : [$open]), ...$blocks], array_values($ranges)) as $stretch) {
            $segments[$stretch->firstSeq] = $stretch->segment();
            $this->database->table('sample_segments')->upsert([self::row($channel, $stretch->firstSeq, $segments[$stretch->firstSeq])], ['run_channel_id', 'first_seq']);
        }
        $index->with($segments)->write($channel, $this->database);
        $this->database->table('sample_blocks')->whereIn('id', $blocks->pluck('id'))->delete();
    }

    /**
     * The last segment, if the blocks go on from it and there is room in it.
     *
     * @param  Collection<int, \stdClass>  $blocks
     */
    private function unfinished(int $channel, SegmentIndex $index, Collection $blocks): ?\stdClass
    {
        $last = array_slice($index->heads(), -1)[0] ?? null;
        $first = $blocks->first();
        if ($last === null || $first === null || $last->count >= Segment::SAMPLES || (int) $last->key + $last->count !== (int) $first->first_seq) {
            return null;
        }

        return $this->database->table('sample_segments')->where('run_channel_id', $channel)->where('first_seq', $last->key)->selectRaw('first_seq, `count`, t0, dt, offsets AS times, '.SegmentValues::all().' AS payload')->first();
    }

    /** @return array<string, int|float|string|null> a row of sample_segments */
    public static function row(int $channel, int $firstSeq, Segment $segment): array
    {
        $offsets = $segment->offsets();
        $envelope = $segment->envelope();
        $fine = 2 * Levels::offset($segment->count(), self::OUTLINE_FROM);

        return [
            'run_channel_id' => $channel, 'first_seq' => $firstSeq, 'count' => $segment->count(), 't0' => $segment->t0, 't1' => $segment->end(), 'dt' => $segment->dt,
            'offsets' => $offsets === null ? null : Packed::of($offsets), ...SegmentValues::columns($segment->values),
            'outline' => Packed::of(array_slice($envelope, $fine)),
            'envelope' => Packed::of(array_slice($envelope, 0, $fine)), 'moments' => Packed::moments($segment->moments()),
        ];
    }
}
