<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\World\Alder;
use Welkion\Standins\World\Hazel;

final class DeviceTest extends TestCase
{
    private const START = 1_000_000.0;

    private Device $device;

    protected function setUp(): void
    {
        $this->device = new Device(new Alder(new Randomizer(new Mt19937(3))), new Clock(self::START), self::START);
    }

    public function test_greets_with_its_channels(): void
    {
        $hello = $this->ask(['do' => 'hello']);

        self::assertSame(['Alder', 1], [$hello['bench'], $hello['link']]);
        self::assertSame(['ph', 'temperature'], array_map(static fn ($channel): string => $channel->name, $hello['channels']));
    }

    public function test_streams_numbered_readings_at_the_rate_asked_for(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 'ph', 'rate' => 4]);
        [$pack] = $this->device->due(self::START + 2.0);

        self::assertCount(9, $pack);
        self::assertSame(['Alder-1:', 'mV', self::START], [$pack[0]['bn'], $pack[0]['bu'], $pack[0]['bt']]);
        self::assertSame([0.0, 0.25, 0.5], array_slice(array_column($pack, 't'), 0, 3));
        self::assertSame(range($pack[0]['seq'], $pack[0]['seq'] + 8), array_column($pack, 'seq'));
        self::assertSame([], $this->device->due(self::START + 2.1));
    }

    public function test_sends_again_what_was_missed_and_nothing_else(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 'ph', 'rate' => 4]);
        [$pack] = $this->device->due(self::START + 5.0);
        $answer = $this->device->answer((string) json_encode(['do' => 'resume', 'channel' => 'ph', 'after' => $pack[15]['seq']]), self::START + 5.0);

        self::assertSame(['told' => 'resume', 'channel' => 'ph', 'count' => 5], $answer[0]);
        self::assertSame(array_column(array_slice($pack, 16), 'v'), array_column($answer[1], 'v'));
        self::assertSame(array_column(array_slice($pack, 16), 'seq'), array_column($answer[1], 'seq'));
    }

    public function test_tells_very_much_that_was_missed_in_lines_a_recorder_reads(): void
    {
        $hazel = new Device(new Hazel(new Randomizer(new Mt19937(3))), new Clock(self::START), self::START);
        $hazel->answer((string) json_encode(['do' => 'act', 'id' => 1, 'act' => 'speed', 'times' => 10]), self::START);
        $hazel->answer((string) json_encode(['do' => 'stream', 'channel' => 'pressure', 'rate' => 200]), self::START);
        $pack = array_merge(...$hazel->due(self::START + 6.0), ...$hazel->due(self::START + 12.0));
        $answer = $hazel->answer((string) json_encode(['do' => 'resume', 'channel' => 'pressure', 'after' => 0]), self::START + 12.0);
        $packs = array_slice($answer, 1);

        self::assertGreaterThan(1, count($packs));
        self::assertSame(count($pack), $answer[0]['count']);
        self::assertSame(array_column($pack, 'seq'), array_merge(...array_map(static fn (array $of): array => array_column($of, 'seq'), $packs)));
        // A recorder reads lines of 8 MB.
        self::assertLessThan(4_000_000, max(array_map(static fn (array $of): int => strlen((string) json_encode($of)), $packs)));
    }

    public function test_goes_on_at_once_by_as_much_as_is_asked_in_stretches_without_a_gap(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 'ph', 'rate' => 4]);
        $this->device->due(self::START);
        $this->ask(['do' => 'act', 'id' => 1, 'act' => 'go-on', 'seconds' => 25]);
        $times = [];
        foreach ([10.0, 20.0, 25.0, 25.0] as $i => $end) {
            $packs = $this->device->due(self::START);
            $made = $packs === [] ? [] : array_map(static fn (array $r): float => $packs[0][0]['bt'] - self::START + $r['t'], $packs[0]);
            self::assertSame($i < 3 ? $end : false, end($made));
            array_push($times, ...$made);
        }

        self::assertSame(array_map(static fn (int $i): float => $i / 4, range(1, 100)), $times);
        self::assertSame(self::START + 25.5, $this->ask(['do' => 'hello'], self::START + 0.5)['clock']);
        foreach ([0, -1, 3601, 'long', null] as $seconds) {
            self::assertSame('The bench can go on by up to 3600 s at once.', $this->ask(['do' => 'act', 'id' => 2, 'act' => 'go-on', 'seconds' => $seconds])['problem']);
        }
    }

    public function test_goes_slower_when_more_falls_due_than_it_can_make_and_skips_nothing(): void
    {
        $hazel = new Device(new Hazel(new Randomizer(new Mt19937(3))), new Clock(self::START, 60), self::START);
        $hazel->answer((string) json_encode(['do' => 'stream', 'channel' => 'pressure', 'rate' => 200]), self::START);
        [$first] = $hazel->due(self::START + 10.0);
        $hello = $hazel->answer('{"do":"hello"}', self::START + 10.0)[0];
        [$next] = $hazel->due(self::START + 10.5);

        self::assertCount(20_000, $first);
        self::assertEqualsWithDelta(self::START + 100.0, $hello['clock'], 0.01, 'Its clock is where its readings are.');
        self::assertCount(60 * 100, $next);
        self::assertSame(end($first)['seq'] + 1, $next[0]['seq']);
    }

    public function test_keeps_no_more_of_a_fast_channel_than_its_memory_bears(): void
    {
        $hazel = new Device(new Hazel(new Randomizer(new Mt19937(3))), new Clock(self::START, 60), self::START);
        $hazel->answer((string) json_encode(['do' => 'stream', 'channel' => 'pressure', 'rate' => 200]), self::START);
        $made = 0;
        for ($t = 1.0; $t <= 14.0; $t += 1.0) {
            $made += count($hazel->due(self::START + $t)[0]);
        }
        $kept = $hazel->answer((string) json_encode(['do' => 'resume', 'channel' => 'pressure', 'after' => 0]), self::START + 14.0);

        self::assertGreaterThan(150_000, $made);
        self::assertLessThan($made, $kept[0]['count']);
        self::assertGreaterThanOrEqual(120_000, $kept[0]['count']);
        $last = end($kept);
        self::assertSame($hazel->due(self::START + 14.1)[0][0]['seq'] - 1, end($last)['seq'], 'What is kept is what came last.');
    }

    public function test_forgets_readings_older_than_two_minutes(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 'ph', 'rate' => 4]);
        for ($t = 0.0; $t <= 400.0; $t += 1.0) {
            $this->device->due(self::START + $t);
        }
        $answer = $this->ask(['do' => 'resume', 'channel' => 'ph', 'after' => 0]);

        self::assertGreaterThanOrEqual(480, $answer['count']);
        self::assertLessThanOrEqual(605, $answer['count']);
    }

    public function test_at_sixty_times_the_clock_a_second_holds_a_minute(): void
    {
        $this->ask(['do' => 'act', 'id' => 1, 'act' => 'speed', 'times' => 60]);
        $this->ask(['do' => 'stream', 'channel' => 'temperature', 'rate' => 4]);
        [$pack] = $this->device->due(self::START + 1.0);

        self::assertCount(241, $pack);
    }

    public function test_numbers_go_on_above_the_old_ones_after_a_restart(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 'ph', 'rate' => 10]);
        [$before] = $this->device->due(self::START + 100.0);
        $later = self::START + 101.0;
        $restarted = new Device(new Alder(new Randomizer), new Clock($later), $later);
        $restarted->answer('{"do":"stream","channel":"ph","rate":10}', $later);
        [$after] = $restarted->due($later + 1.0);

        self::assertGreaterThan(max(array_column($before, 'seq')), $after[0]['seq']);
    }

    public function test_answers_nonsense_with_a_sentence(): void
    {
        self::assertSame('A line must be a JSON object with a text "do".', $this->device->answer('rubbish', self::START)[0]['problem']);
        self::assertSame('"dance" is not known here.', $this->ask(['do' => 'dance'])['problem']);
        self::assertSame('There is no channel "oxygen" on this bench.', $this->ask(['do' => 'stream', 'channel' => 'oxygen', 'rate' => 1])['problem']);
        self::assertSame('The rate of "ph" must lie above 0 and at most 20 Hz.', $this->ask(['do' => 'stream', 'channel' => 'ph', 'rate' => 999])['problem']);
        self::assertSame('The bench can run at x1, x10 or x60.', $this->ask(['do' => 'act', 'act' => 'speed', 'times' => 7])['problem']);
    }

    /**
     * @param  array<string, mixed>  $message
     * @return array<array-key, mixed>
     */
    private function ask(array $message, float $now = self::START): array
    {
        return $this->device->answer((string) json_encode($message), $now)[0];
    }
}
