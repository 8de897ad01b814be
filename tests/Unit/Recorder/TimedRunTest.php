<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Link\Sample;
use App\Recorder\Timed\Scale;
use App\Recorder\Timed\TimedRun;
use App\Recorder\Timed\ToldRun;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\TimedPlan;

/** When a timed run begins and ends, and what is kept of it; samples are their own tenths of seconds. */
final class TimedRunTest extends TestCase
{
    private const ZERO = 1_795_000_000.0;

    /** Probe and run channel of the pressure, and of the thermometer beside it. */
    private const PRESSURE = 7;

    private const THERMOMETER = 8;

    public function test_begins_at_once_with_its_first_channel(): void
    {
        $run = self::timedRun(['rate' => 10, 'length' => 5]);
        self::assertSame([], $run->take(self::THERMOMETER, self::samples(0, 3)), 'The first channel sets the beat.');
        $kept = $run->take(self::PRESSURE, self::samples(2, 4));

        self::assertSame(self::ZERO + 0.2, $run->zero());
        self::assertSame([70 => [2, 3, 4], 80 => [2, 3]], self::numbers($kept));
        self::assertSame([80 => [4, 5]], self::numbers($run->take(self::THERMOMETER, self::samples(4, 5))));
    }

    public function test_begins_once_the_bench_beside_has_heard_of_it_too(): void
    {
        $run = self::timedRun(['rate' => 10, 'length' => 5], beside: 4);
        self::assertSame([], $run->take(self::PRESSURE, self::samples(2, 4)));
        self::assertSame([70 => [5, 6]], self::numbers($run->take(self::PRESSURE, self::samples(5, 6))));

        // What it waits for does not wait for anybody.
        $waiting = self::timedRun(['rate' => 10, 'length' => 5, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 0.3, 'before' => 0]], beside: 4);
        $waiting->take(self::PRESSURE, self::samples(0, 2));
        self::assertSame(self::ZERO + 0.2, $waiting->zero());
    }

    public function test_what_a_device_remembers_from_before_it_waited_begins_nothing(): void
    {
        $run = self::timedRun(['rate' => 10, 'length' => 5], armedAt: self::ZERO + 0.5);
        self::assertSame([], $run->take(self::PRESSURE, self::samples(0, 4)));
        self::assertSame([70 => [5, 6]], self::numbers($run->take(self::PRESSURE, self::samples(5, 6))));
    }

    public function test_begins_by_a_level_and_keeps_what_was_before_of_every_channel(): void
    {
        $run = self::timedRun(['rate' => 10, 'length' => 5, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 20, 'before' => 1]]);
        self::assertSame([], $run->take(self::PRESSURE, self::samples(0, 19)));
        self::assertSame([], $run->take(self::THERMOMETER, self::samples(0, 22)));
        self::assertNull($run->zero());
        // The scale doubles: 10.5 raw is 21.
        $kept = self::numbers($run->take(self::PRESSURE, self::samples(20, 22, 0.5)));

        self::assertSame(self::ZERO + 2.1, $run->zero());
        self::assertSame([70 => range(11, 22), 80 => range(11, 22)], $kept);
    }

    public function test_waits_without_an_end_and_holds_no_more_than_it_may_need(): void
    {
        $run = self::timedRun(['rate' => 10, 'begin' => ['when' => 'marker', 'before' => 2]]);
        for ($i = 0; $i < 500; $i++) {
            $run->take(self::PRESSURE, self::samples($i, $i));
        }
        $before = memory_get_usage();
        for (; $i < 20_000; $i++) {
            $run->take(self::PRESSURE, self::samples($i, $i));
        }
        self::assertLessThan(100_000, memory_get_usage() - $before);

        self::assertTrue($run->begin());
        self::assertFalse($run->begin(), 'It has begun.');
        self::assertSame([70 => range(19_979, 20_000)], self::numbers($run->take(self::PRESSURE, self::samples(20_000, 20_000))));
        self::assertFalse(self::timedRun(['rate' => 10, 'begin' => ['when' => 'marker']])->begin(), 'Nothing has come yet.');
    }

    public function test_ends_with_its_length_whichever_channel_gets_there(): void
    {
        $run = self::timedRun(['rate' => 10, 'length' => 3]);
        $run->take(self::PRESSURE, self::samples(0, 9));
        self::assertNull(self::end($run, self::samples(0, 29)));
        self::assertEqualsWithDelta(2.9, $run->reachedS(), 1e-6);
        self::assertSame('length', self::end($run, self::samples(30, 31), self::THERMOMETER));
        self::assertSame(3.0, $run->endedS());
        self::assertNull(self::end($run, self::samples(40, 41)), 'Once.');
        self::assertNull(self::end(self::timedRun(['rate' => 10, 'length' => 3]), self::samples(40, 41)), 'Not before it has begun.');
    }

    public function test_ends_at_a_level_that_it_is_beyond_already_and_by_no_other_probe(): void
    {
        $plan = ['rate' => 10, 'length' => 30, 'end' => ['when' => 'below', 'column' => 'p', 'level' => 100]];
        $run = self::timedRun($plan);
        $run->take(self::PRESSURE, self::samples(0, 0));
        self::assertNull(self::end($run, self::samples(1, 4), self::THERMOMETER));
        self::assertSame('event', self::end($run, self::samples(0, 4)), 'Its beginning does not end it.');
        self::assertSame(0.1, $run->endedS());
    }

    public function test_ends_when_its_probe_is_at_rest_but_not_before_it_could_be_told(): void
    {
        $run = self::timedRun(['rate' => 10, 'end' => ['when' => 'steady', 'column' => 'p']]);
        $run->take(self::PRESSURE, self::samples(0, 0));
        self::assertTrue($run->waitsForRestOf(self::PRESSURE));
        self::assertFalse($run->waitsForRestOf(self::THERMOMETER));
        self::assertNull(self::end($run, self::samples(1, 199), isAtRest: true));
        self::assertNull(self::end($run, self::samples(200, 200), isAtRest: false));
        self::assertSame('event', self::end($run, self::samples(202, 202), isAtRest: true));
        self::assertSame(20.2, $run->endedS());
    }

    public function test_lingers_for_a_minute_and_goes_on_as_it_is_told_then(): void
    {
        $run = self::timedRun(['rate' => 10, 'length' => 1]);
        $run->take(self::PRESSURE, self::samples(0, 0));
        self::assertFalse($run->isOver(INF), 'It has not ended.');
        self::assertSame('length', self::end($run, self::samples(1, 10), wallNow: 1000.0));
        self::assertSame([70 => [11, 12]], self::numbers($run->take(self::PRESSURE, self::samples(11, 12))));
        self::assertFalse($run->isOver(1060.0));
        self::assertTrue($run->isOver(1060.1));

        $run->become(self::told(['rate' => 10, 'length' => 2], zero: self::ZERO));
        self::assertNull($run->endedS());
        self::assertFalse($run->isOver(INF));
        self::assertNull(self::end($run, self::samples(13, 19)));
        self::assertSame('length', self::end($run, self::samples(20, 20)));
    }

    public function test_a_run_that_had_begun_before_the_recorder_did_takes_what_belongs_to_it(): void
    {
        $run = new TimedRun(self::told(['rate' => 10, 'length' => 5, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 1, 'before' => 0.5]], zero: self::ZERO + 2.0));

        self::assertSame([70 => range(15, 40)], self::numbers($run->take(self::PRESSURE, self::samples(0, 40))));
        self::assertSame(10.0, $run->rate());
        self::assertSame(3, $run->id());
        self::assertTrue($run->listensTo(self::THERMOMETER));
        self::assertFalse($run->listensTo(70));
        self::assertTrue($run->isLedBy(self::PRESSURE));
        self::assertFalse($run->isLedBy(self::THERMOMETER));
    }

    /** @param  array<string, mixed>  $plan */
    private static function timedRun(array $plan, ?float $armedAt = null, ?int $beside = null): TimedRun
    {
        return new TimedRun(self::told($plan, $armedAt, beside: $beside));
    }

    /** @param  array<string, mixed>  $plan */
    private static function told(array $plan, ?float $armedAt = null, ?float $zero = null, ?int $beside = null): ToldRun
    {
        $read = TimedPlan::fromArray($plan);
        $scale = new Scale(self::PRESSURE, 0.0, 2.0);

        return new ToldRun(3, $read, [70 => self::PRESSURE, 80 => self::THERMOMETER], $read->begin === null ? null : $scale, $read->end === null ? null : $scale, $armedAt, $zero, null, 0.0, beside: $beside);
    }

    /** @return list<Sample> */
    private static function samples(int $from, int $to, float $factor = 0.1): array
    {
        return array_map(static fn (int $i): Sample => new Sample($i, self::ZERO + 0.1 * $i, $i * $factor), range($from, $to));
    }

    /** @param  list<Sample>  $samples */
    private static function end(TimedRun $run, array $samples, int $probe = self::PRESSURE, bool $isAtRest = false, float $wallNow = 0.0): ?string
    {
        return $run->endsWith($probe, $samples, $isAtRest, 10.0, $wallNow);
    }

    /**
     * @param  array<int, list<Sample>>  $kept
     * @return array<int, list<int>>
     */
    private static function numbers(array $kept): array
    {
        ksort($kept);

        return array_map(static fn (array $of): array => array_map(static fn (Sample $s): int => $s->seq, $of), $kept);
    }
}
