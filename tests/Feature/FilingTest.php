<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Run;
use App\Models\RunChannel;
use App\Models\User;
use App\Recorder\Keeping\Block;
use App\Recorder\Keeping\Desk;
use App\Recorder\Link\Sample;
use App\Samples\Filing;
use App\Samples\StoredSamples;
use App\Storage\OneMoment;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use Tests\Support\KeptSamples;
use Tests\TestCase;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Segment;

/** Blocks become segments, and what is read of them is the same before and after. */
final class FilingTest extends TestCase
{
    use KeptSamples;

    private RunChannel $channel;

    private User $teacher;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $bench = $this->connectedBenchOf($this->teacher);
        $run = $this->storedRunOf($this->experimentOf($this->teacher, $bench), Run::OPEN);
        $this->channel = RunChannel::query()->findOrFail($run->channels()->create(['probe_id' => $this->electrodeOf($bench)->id])->id);
    }

    public function test_what_is_read_is_the_same_before_during_and_after_filing(): void
    {
        $this->keep(1, 900, 9);
        $before = $this->told();
        (new Filing(DB::connection()))->file();
        self::assertSame(0, $this->blockCount());
        self::assertSame([900], $this->segmentCounts());
        self::assertSame($before, $this->told());
        $this->keep(901, 1000, 10);
        $between = $this->told();
        self::assertSame(1000, $between['count']);
        self::assertSame([[1, 900], [901, 10]], array_map(static fn (\stdClass $b): array => [$b->first_seq, $b->count], self::keptOf([$this->channel->id])->firstOrFail()->take(2)->all()));
        $this->finish();
        (new Filing(DB::connection()))->file();
        self::assertSame([1000], $this->segmentCounts());
        self::assertSame($between, $this->told());
        self::assertNoGapNoDouble(self::keptOf([$this->channel->id])->firstOrFail());
    }

    public function test_what_is_read_at_one_moment_is_not_touched_by_what_is_filed_meanwhile(): void
    {
        $another = DB::connectUsing('another', config()->array('database.connections.mariadb'));
        $read = fn (): array => app(OneMoment::class)->of(function (Connection $by) use ($another): array {
            $blocks = $by->table('sample_blocks')->where('run_channel_id', $this->channel->id);
            $told = fn (): array => [$blocks->count(), StoredSamples::of($this->channel, $by)->count()];
            $before = $told();
            (new Filing($another))->file();

            return [$before, $told()];
        });

        $this->keep(1, 900, 9);
        self::assertSame([[100, 900], [100, 900]], $read());
        self::assertSame(0, $this->blockCount());
        $this->keep(901, 1800, 9);
        self::assertSame([[100, 1800], [100, 1800]], DB::transaction($read), 'In the middle of a change, too.');
        self::assertSame(0, $this->blockCount());
        $this->expectException(\LogicException::class);
        $within = static fn (): bool => app(OneMoment::class)->of(static fn (): bool => true);
        DB::transaction(static fn (): bool => app(OneMoment::class)->of($within));
    }

    public function test_few_blocks_of_an_open_run_wait_and_a_full_segment_is_left_alone(): void
    {
        $this->keep(1, 60, 3);
        (new Filing(DB::connection()))->file();
        self::assertSame([20, []], [$this->blockCount(), $this->segmentCounts()]);

        $this->keep(61, Segment::SAMPLES + 5000, 1000);
        (new Filing(DB::connection()))->file();
        self::assertSame([Segment::SAMPLES, 5000], $this->segmentCounts());
        $full = DB::table('sample_segments')->where('run_channel_id', $this->channel->id)->orderBy('first_seq')->first();
        $this->keep(Segment::SAMPLES + 5001, Segment::SAMPLES + 5100, 1);
        (new Filing(DB::connection()))->file();
        self::assertSame([Segment::SAMPLES, 5100], $this->segmentCounts());
        self::assertEquals($full, DB::table('sample_segments')->where('run_channel_id', $this->channel->id)->orderBy('first_seq')->first());
    }

    public function test_what_comes_once_more_after_it_was_filed_is_kept_once(): void
    {
        $this->keep(1, 100, 10);
        $this->finish();
        (new Filing(DB::connection()))->file();
        // The answer was lost with its process: all of it comes again, and what followed.
        $this->keep(51, 130, 10);
        self::assertSame(130, $this->sampleCount());
        (new Filing(DB::connection()))->file();
        self::assertSame([130], [$this->sampleCount()]);
        self::assertSame(130, array_sum($this->segmentCounts()));
    }

    public function test_a_gap_a_pause_and_a_clock_put_back_begin_segments_of_their_own(): void
    {
        $this->keep(1, 50, 10);
        $this->keep(61, 90, 10);
        $this->keep(91, 120, 10, late: 30.0);
        $this->keep(121, 150, 10, late: -500.0);
        $this->finish();
        (new Filing(DB::connection()))->file();

        self::assertSame([50, 30, 30, 30], $this->segmentCounts());
        self::assertSame(140, $this->sampleCount());
    }

    public function test_the_recorder_goes_on_after_the_last_number_that_was_filed(): void
    {
        $this->keep(1, 100, 10);
        $this->finish();
        (new Filing(DB::connection()))->file();
        $this->channel->run->update(['state' => Run::OPEN]);
        $state = app(Desk::class)->state((int) $this->channel->run->bench_id);

        self::assertSame([100], array_column(array_filter($state->openChannels, fn (array $c): bool => $c['id'] === $this->channel->id), 'lastSeq'));
    }

    public function test_a_copied_experiment_has_the_samples_of_its_runs(): void
    {
        $this->keep(1, 100, 10);
        $this->finish();
        (new Filing(DB::connection()))->file();
        $this->keep(101, 120, 10);
        $copy = $this->actingAs($this->teacher)
            ->postJson("/api/experiments/{$this->channel->run->experiment_id}/copy", ['withRuns' => true])->assertCreated()->json('id');
        $channel = RunChannel::query()->whereIn('run_id', Run::query()->where('experiment_id', $copy)->select('id'))->firstOrFail();

        self::assertSame($this->told(), $this->told($channel));
    }

    private function keep(int $from, int $to, int $each, float $late = 0.0): void
    {
        $rows = [];
        for ($first = $from; $first <= $to; $first += $each) {
            $samples = array_map(static fn (int $seq): Sample => new Sample($seq, 1000.0 + $late + $seq / 4, sin($seq) * 177.3), range($first, min($to, $first + $each - 1)));
            array_push($rows, ...array_map(static fn (Block $b): array => $b->toRow(), Block::cut($this->channel->id, $samples)));
        }
        self::assertSame([], app(Desk::class)->keep($rows));
    }

    private function finish(): void
    {
        $this->channel->run->update(['state' => Run::FINISHED]);
    }

    private function blockCount(): int
    {
        return DB::table('sample_blocks')->where('run_channel_id', $this->channel->id)->count();
    }

    /** @return list<int> */
    private function segmentCounts(): array
    {
        return DB::table('sample_segments')->where('run_channel_id', $this->channel->id)->orderBy('first_seq')->pluck('count')->map(intval(...))->all();
    }

    private function sampleCount(): int
    {
        return DB::transaction(fn (): int => StoredSamples::of($this->channel->refresh(), DB::connection())->count());
    }

    /** @return array<string, mixed> */
    private function told(?RunChannel $of = null): array
    {
        return DB::transaction(fn (): array => self::toldOf(StoredSamples::of($of ?? $this->channel->refresh(), DB::connection())));
    }

    /** @return array<string, mixed> what is read of it, to twelve digits: sums are made in another order */
    private static function toldOf(LongSeries $series): array
    {
        [$from, $to] = $series->extent() ?? [0.0, 0.0];
        $span = $series->moments($from + 3.3, $to - 2.1);

        return [
            'count' => $series->count(), 'extent' => [$from, $to], 'samples' => $series->samples($from, $to), 'of the span' => $span->count,
            'mean' => round($span->meanValue, 9), 'sd' => round($span->sd(), 9), 'slope' => round($span->line()->slope, 9),
            'picture' => (array) $series->picture($from, $to, 5000),
        ];
    }
}
