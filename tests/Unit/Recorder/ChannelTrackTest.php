<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\ChannelTrack;
use App\Recorder\Link\DeviceFault;
use App\Recorder\Link\Sample;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\SteadyLimits;

final class ChannelTrackTest extends TestCase
{
    private ChannelTrack $track;

    protected function setUp(): void
    {
        $this->track = new ChannelTrack(SteadyLimits::of(driftPerMinute: 1.2, scatter: 0.5, tolerance: 0.5));
    }

    public function test_takes_each_number_once_however_often_it_comes(): void
    {
        self::assertCount(4, $this->track->take(self::samples(1, 4)));
        self::assertCount(2, $this->track->take(self::samples(2, 6)));
        self::assertSame([], $this->track->take(self::samples(1, 6)));
        self::assertSame(6, $this->track->lastSeq());
    }

    public function test_goes_on_after_what_is_on_disk_and_never_back(): void
    {
        $this->track->continueAfter(100);
        $this->track->continueAfter(50);

        self::assertSame([], $this->track->take(self::samples(90, 100)));
        self::assertCount(1, $this->track->take(self::samples(95, 101)));
    }

    public function test_a_reading_is_the_mean_of_the_last_ten_seconds(): void
    {
        $this->track->take(self::samples(1, 100));

        $reading = $this->track->reading();

        self::assertSame([40, true, 5025.0], [$reading['count'] ?? null, $reading['isSteady'] ?? null, $reading['time'] ?? null]);
        self::assertEqualsWithDelta(176.35, $reading['mean'] ?? NAN, 1e-9);
        self::assertEqualsWithDelta(0.0513, $reading['scatter'] ?? NAN, 1e-3, 'Half of the step between the two values, over n - 2.');
        self::assertCount(40, $reading['samples'] ?? []);
    }

    public function test_a_clock_that_was_put_right_begins_a_new_segment_and_rest_is_judged_in_it(): void
    {
        $this->track->take(self::samples(1, 100));
        self::assertTrue($this->track->steadiness()->isSteady);
        self::assertSame(0.0, $this->track->takeStepBack());
        $later = array_map(static fn (Sample $s): Sample => new Sample($s->seq, $s->time - 3600.0, $s->value), self::samples(101, 110));

        self::assertCount(10, $this->track->take($later), 'They are kept, all of them.');
        self::assertEqualsWithDelta(3599.75, $this->track->takeStepBack(), 1e-9, 'An hour, less the quarter second that passed.');
        self::assertSame(0.0, $this->track->takeStepBack(), 'It is told once.');
        self::assertSame($later[9]->time, $this->track->latestTime());
        self::assertSame(10, $this->track->reading()['count'] ?? null, 'A reading holds nothing of the time before.');
        self::assertFalse($this->track->steadiness()->isSteady, 'Two and a half seconds are too short to tell.');
        $this->track->take(array_map(static fn (Sample $s): Sample => new Sample($s->seq, $s->time - 3600.0, $s->value), self::samples(111, 200)));
        self::assertTrue($this->track->steadiness()->isSteady);
    }

    public function test_a_reading_that_comes_a_little_late_is_no_step_of_the_clock(): void
    {
        $this->track->take(self::samples(1, 100));
        $this->track->take([new Sample(101, 5024.4, 176.3)]);

        self::assertSame(0.0, $this->track->takeStepBack());
        self::assertSame(5025.0, $this->track->latestTime());
        self::assertSame(41, $this->track->reading()['count'] ?? null);
    }

    public function test_a_device_that_counts_anew_is_told_so_and_one_that_repeats_is_not(): void
    {
        $this->track->take(self::samples(1001, 1100));
        // What was missed comes again, however often.
        for ($i = 0; $i < 5; $i++) {
            self::assertSame([], $this->track->take(self::samples(1001, 1100)));
        }

        $this->expectException(DeviceFault::class);
        $this->expectExceptionMessage('It numbers its readings from 20 again, though it had reached 1100; after a restart a device must begin higher than ever before.');
        $this->track->take(array_map(static fn (int $seq): Sample => new Sample($seq, 9000.0 + $seq, 1.0), range(1, 20)));
    }

    public function test_numbers_that_leap_after_a_restart_are_not_missing(): void
    {
        $this->track->take([new Sample(1, 1.0, 1.0), new Sample(5, 2.0, 1.0)]);
        self::assertSame(['received' => 2, 'missed' => 3], $this->track->counts());
        $this->track->take([new Sample(1_795_456_556_757_431, 3.0, 1.0)]);

        self::assertSame(['received' => 3, 'missed' => 3], $this->track->counts());
    }

    public function test_after_a_change_only_what_comes_then_counts(): void
    {
        $this->track->take(self::samples(1, 100));
        $this->track->steadiness();
        $this->track->restartWindow();

        self::assertNull($this->track->reading());
        self::assertFalse($this->track->steadiness()->isSteady);
        $this->track->take(self::samples(101, 110));
        self::assertSame(10, $this->track->reading()['count'] ?? null);
        self::assertFalse($this->track->steadiness()->isSteady, 'Two and a half seconds are too short to tell.');
        $this->track->take(self::samples(111, 150));
        self::assertTrue($this->track->steadiness()->isSteady);
    }

    public function test_tells_how_long_it_has_been_steady(): void
    {
        $this->track->take(self::samples(1, 60));
        $this->track->steadiness();
        self::assertEqualsWithDelta(10.0, $this->track->steadyFor(), 1e-9);
        $this->track->take(self::samples(61, 100));
        $this->track->steadiness();
        self::assertEqualsWithDelta(20.0, $this->track->steadyFor(), 1e-9);
    }

    public function test_keeps_no_more_than_it_needs_however_long_and_fast_it_runs(): void
    {
        $track = new ChannelTrack(SteadyLimits::of(driftPerMinute: 1.2, scatter: 0.5, tolerance: 0.5));
        for ($seq = 1; $seq < 60_000; $seq += 50) {
            $track->take(self::samplesAt(500.0, $seq, $seq + 49));
        }
        $kept = static fn (string $tail): int => (new \ReflectionProperty($track, $tail))->getValue($track)->count();

        self::assertLessThan(2 * 20 * 500 + 51, $kept('window'));
        self::assertLessThan(2 * 45 * 22, $kept('past'), 'Of the past, about 20 a second are kept.');
        self::assertSame(5_000, $track->reading()['count'] ?? null, 'A reading is the mean of every sample of its window.');
    }

    public function test_a_longer_window_set_for_its_bench_counts_at_once(): void
    {
        $this->track->take(self::samples(1, 200));
        self::assertSame(40, $this->track->reading()['count'] ?? null);
        $this->track->judgeBy(SteadyLimits::of(driftPerMinute: 1.2, scatter: 0.5, tolerance: 0.5, windowS: 20.0));

        self::assertSame(80, $this->track->reading()['count'] ?? null);
        self::assertTrue($this->track->reading()['isWindowFull'] ?? null);
    }

    public function test_counts_the_numbers_that_never_came(): void
    {
        $this->track->take(self::samples(1, 10));
        $this->track->take(self::samples(14, 20));
        self::assertSame(['received' => 17, 'missed' => 3], $this->track->counts());

        $this->track->beginAgain();
        $this->track->take(self::samples(1001, 1002));
        self::assertSame(['received' => 19, 'missed' => 3], $this->track->counts(), 'A plug that was out gave no numbers.');
    }

    public function test_mains_hum_is_scatter_even_where_it_is_thinned(): void
    {
        $track = new ChannelTrack(SteadyLimits::of(driftPerMinute: 0.1, scatter: 0.03, tolerance: 0.02, windowS: 3.0));
        $track->take(array_map(static fn (int $seq): Sample => new Sample($seq, $seq / 500, 1.0 + 0.12 * sin(2.0 * M_PI * 50.0 * $seq / 500)), range(1, 5000)));

        self::assertFalse($track->steadiness()->isSteady);
        // A sine of height 0.12 has a standard deviation of 0.12 / sqrt 2; thinned to 20 a second it keeps it within a fifth.
        self::assertEqualsWithDelta(0.085, $track->steadiness()->scatter, 0.017);
    }

    public function test_hands_over_each_value_once_for_a_trace(): void
    {
        $this->track->take(self::samples(1, 3));
        self::assertCount(3, $this->track->takeRecent());
        self::assertSame([], $this->track->takeRecent());
    }

    public function test_a_judgement_holds_a_moment_and_is_made_anew_after_a_change(): void
    {
        $this->track->take(self::samples(1, 100));
        $first = $this->track->steadiness(50.0);
        $this->track->take(self::samples(101, 110));

        self::assertSame($first, $this->track->steadiness(50.1));
        self::assertNotSame($first, $this->track->steadiness(50.3));
        $this->track->restartWindow();
        self::assertFalse($this->track->steadiness(50.31)->isSteady);
    }

    public function test_knows_nothing_before_the_first_sample(): void
    {
        self::assertNull($this->track->latest());
        self::assertNull($this->track->reading());
        self::assertSame(0, $this->track->steadiness()->count);
        self::assertSame(0.0, $this->track->steadyFor());
    }

    /** @return list<Sample> four a second, calm but for a tenth of a millivolt */
    private static function samples(int $from, int $to): array
    {
        return array_map(static fn (int $seq): Sample => new Sample($seq, 5000.0 + $seq / 4, 176.3 + 0.1 * ($seq % 2)), range($from, $to));
    }

    /** @return list<Sample> */
    private static function samplesAt(float $hertz, int $from, int $to): array
    {
        return array_map(static fn (int $seq): Sample => new Sample($seq, 5000.0 + $seq / $hertz, 176.3 + 0.1 * ($seq % 2)), range($from, $to));
    }
}
