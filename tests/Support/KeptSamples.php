<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Samples\SegmentValues;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What the recorder has kept. */
trait KeptSamples
{
    /**
     * What is kept of these channels, in blocks or filed into segments.
     *
     * @param  iterable<int>  $channels
     * @return Collection<array-key, Collection<int, \stdClass>> by run channel, each by first_seq
     */
    protected static function keptOf(iterable $channels): Collection
    {
        $segments = DB::table('sample_segments')->whereIn('run_channel_id', collect($channels))->selectRaw('run_channel_id, first_seq, `count`, '.SegmentValues::all().' AS payload');

        return DB::table('sample_blocks')->whereIn('run_channel_id', collect($channels))->select('run_channel_id', 'first_seq', 'count', 'payload')
            ->unionAll($segments)->orderBy('first_seq')->get()->groupBy('run_channel_id');
    }

    /** @return Collection<array-key, Collection<int, \stdClass>> by run channel */
    protected static function keptOfRun(int $run): Collection
    {
        return self::keptOf(DB::table('run_channels')->where('run_id', $run)->pluck('id'));
    }

    /** @param  Collection<int, \stdClass>  $blocks of one run channel, by first_seq */
    protected static function assertNoGapNoDouble(Collection $blocks): void
    {
        $next = null;
        foreach ($blocks as $block) {
            self::assertSame($next ?? $block->first_seq, $block->first_seq, 'A sample is missing or doubled.');
            $next = $block->first_seq + $block->count;
        }
        self::assertNotNull($next);
    }
}
