<?php

declare(strict_types=1);

namespace Welkion\Gateway\Tests;

use PHPUnit\Framework\TestCase;
use Welkion\Gateway\SerialDevice;
use Welkion\Gateway\SerialFile;

final class SerialDeviceTest extends TestCase
{
    private const START = 1_795_000_000.0;

    private SerialDevice $device;

    protected function setUp(): void
    {
        $this->device = new SerialDevice(SerialFile::of(['bench' => 'Cedar', 'channels' => [
            ['name' => 't', 'kind' => 'thermometer', 'unit' => '°C', 'resolution' => 0.01], ['name' => 'ph', 'kind' => 'ph-electrode', 'unit' => 'mV', 'resolution' => 1],
        ]]), self::START);
    }

    public function test_says_who_it_is_and_what_it_has(): void
    {
        $hello = $this->ask(['do' => 'hello'])[0];

        self::assertSame(['hello', 1, 'Cedar', false, self::START], [$hello['told'], $hello['link'], $hello['bench'], $hello['simulated'], $hello['clock']]);
        self::assertSame(['t', 'ph'], array_column($hello['channels'], 'name'));
        self::assertSame([], $this->device->announcements());
    }

    public function test_passes_on_what_was_asked_for_as_it_comes(): void
    {
        $this->device->take('21.4,7', self::START);
        self::assertSame([], $this->device->due(self::START), 'Nobody has asked yet.');
        self::assertSame([['told' => 'stream', 'channel' => 't', 'rate' => 10]], $this->ask(['do' => 'stream', 'channel' => 't', 'rate' => 10]));
        $this->device->take('21.5, 7', self::START + 1.0);
        $this->device->take("21.6;7\r", self::START + 1.1);

        self::assertSame([[
            ['bn' => 'Cedar-1:', 'bt' => self::START + 1.0, 'bu' => '°C', 'n' => 't', 't' => 0.0, 'v' => 21.5, 'seq' => (int) (self::START * 1e6)],
            ['n' => 't', 't' => 0.1, 'v' => 21.6, 'seq' => (int) (self::START * 1e6) + 1],
        ]], $this->device->due(self::START + 1.2));
        self::assertSame([], $this->device->due(self::START + 1.3));
        $this->ask(['do' => 'stop', 'channel' => 't']);
        $this->device->take('21.7 7', self::START + 2.0);
        self::assertSame([], $this->device->due(self::START + 2.0));
    }

    public function test_a_slower_rate_is_kept_on_the_average(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 't', 'rate' => 2]);
        for ($i = 0; $i <= 20; $i++) {
            $this->device->take((string) $i, self::START + 0.1 * $i);
        }

        self::assertSame([0.0, 4.0, 9.0, 14.0, 19.0], array_column($this->device->due(self::START + 3.0)[0], 'v'));
    }

    public function test_what_is_no_number_is_missing_in_its_channel_alone(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 't', 'rate' => 10]);
        $this->ask(['do' => 'stream', 'channel' => 'ph', 'rate' => 10]);
        foreach (['nan,180', '21.1', 'booting ...', '1e999,181', '21.2,182,99'] as $i => $line) {
            $this->device->take($line, self::START + $i);
        }
        $values = array_map(static fn (array $pack): array => array_column($pack, 'v', 'n') + ['all' => array_column($pack, 'v')], $this->device->due(self::START + 9.0));

        self::assertEqualsCanonicalizing([[180.0, 181.0, 182.0], [21.1, 21.2]], array_column($values, 'all'));
        self::assertSame(5, $this->device->takeUnread(), 'nan, nothing behind 21.1, two words, 1e999.');
        self::assertSame(0, $this->device->takeUnread());
    }

    public function test_what_was_missed_is_sent_again_for_two_minutes(): void
    {
        $this->ask(['do' => 'stream', 'channel' => 't', 'rate' => 10]);
        for ($i = 0; $i < 300; $i++) {
            $this->device->take((string) $i, self::START + $i);
        }
        $this->device->due(self::START + 300.0);
        $first = (int) (self::START * 1e6);
        [$answer, $pack] = $this->ask(['do' => 'resume', 'channel' => 't', 'after' => $first + 296]);
        self::assertSame([2, [297.0, 298.0]], [$answer['count'] - 1, array_slice(array_column($pack, 'v'), 0, 2)]);
        $all = $this->ask(['do' => 'resume', 'channel' => 't', 'after' => 0]);
        self::assertGreaterThanOrEqual(120, $all[0]['count']);
        self::assertLessThanOrEqual(151, $all[0]['count']);
        self::assertSame([['told' => 'resume', 'channel' => 't', 'count' => 0]], $this->ask(['do' => 'resume', 'channel' => 't', 'after' => $first + 299]));
    }

    public function test_says_what_it_cannot_do(): void
    {
        foreach ([
            [['do' => 'stream', 'channel' => 'x', 'rate' => 1, 'id' => 3], 'There is no channel "x" on this bench.'], [['do' => 'stream', 'channel' => 't', 'rate' => 0, 'id' => 3], 'above 0'],
            [['do' => 'act', 'id' => 3], '"act" is not known here.'],
        ] as [$question, $sentence]) {
            [$answer] = $this->ask($question);
            self::assertSame(['problem', 3], [$answer['told'], $answer['id']]);
            self::assertStringContainsString($sentence, $answer['problem']);
        }
        self::assertSame('problem', $this->device->answer('no json', self::START)[0]['told']);
    }

    /**
     * @param  array<string, mixed>  $question
     * @return list<array<array-key, mixed>>
     */
    private function ask(array $question): array
    {
        return $this->device->answer((string) json_encode($question), self::START);
    }
}
