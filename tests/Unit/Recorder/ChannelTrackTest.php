<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\ChannelTrack;
use App\Recorder\Sample;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\SteadyLimits;

final class ChannelTrackTest extends TestCase
{
    private ChannelTrack $track;

    protected function setUp(): void
    {
        $this->track = new ChannelTrack(SteadyLimits::phElectrode());
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

        self::assertCount(40, $this->track->window());
        self::assertTrue($this->track->steadiness()->isSteady);
        self::assertSame(40, $this->track->steadiness()->count);
    }

    public function test_after_a_change_only_what_comes_then_counts(): void
    {
        $this->track->take(self::samples(1, 100));
        $this->track->steadiness();
        $this->track->restartWindow();

        self::assertSame([], $this->track->window());
        self::assertFalse($this->track->steadiness()->isSteady);
        $this->track->take(self::samples(101, 110));
        self::assertCount(10, $this->track->window());
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

    public function test_keeps_no_more_than_it_needs_however_long_it_runs(): void
    {
        for ($seq = 1; $seq < 20_000; $seq += 100) {
            $this->track->take(self::samples($seq, $seq + 99));
        }
        $kept = (new \ReflectionProperty($this->track, 'times'))->getValue($this->track);

        self::assertLessThan(90.0 * 4 + 101, count($kept));
        self::assertSame(20_000, $this->track->lastSeq());
    }

    public function test_knows_nothing_before_the_first_sample(): void
    {
        self::assertNull($this->track->latest());
        self::assertSame([], $this->track->window());
        self::assertSame(0, $this->track->steadiness()->count);
        self::assertSame(0.0, $this->track->steadyFor());
    }

    /** @return list<Sample> four a second, calm but for a tenth of a millivolt */
    private static function samples(int $from, int $to): array
    {
        return array_map(static fn (int $seq): Sample => new Sample($seq, 5000.0 + $seq / 4, 176.3 + 0.1 * ($seq % 2)), range($from, $to));
    }
}
