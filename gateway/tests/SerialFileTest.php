<?php

declare(strict_types=1);

namespace Welkion\Gateway\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Gateway\SerialFile;
use Welkion\Gateway\SerialProblem;

final class SerialFileTest extends TestCase
{
    private const CHANNEL = ['kind' => 'thermometer', 'unit' => '°C', 'resolution' => 0.01];

    public function test_a_short_file_is_enough(): void
    {
        $file = SerialFile::of(['bench' => ' Cedar ', 'channels' => [self::CHANNEL, ['kind' => 'ph-electrode', 'name' => 'ph', 'unit' => 'mV', 'resolution' => 1, 'range' => [-500, 500], 'stated' => ['slope' => -58, 'offset' => 3]]]]);

        self::assertSame(['Cedar', 9100, 9600], [$file->bench, $file->port, $file->baud]);
        self::assertSame([
            'name' => 'channel-1', 'kind' => 'thermometer', 'title' => 'Channel 1', 'serial' => 'Cedar-1', 'unit' => '°C', 'resolution' => 0.01, 'range' => [-1e6, 1e6],
            'fastestHz' => 10.0, 'stated' => null,
        ], $file->channels[0]->told());
        self::assertSame(['ph', 'Ph', 'Cedar-2', [-500.0, 500.0], ['slope' => -58.0, 'offset' => 3.0]], array_map(static fn (string $name): mixed => $file->channels[1]->told()[$name], ['name', 'title', 'serial', 'range', 'stated']));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $with = static fn (array $change): array => ['bench' => 'Cedar', 'channels' => [$change + self::CHANNEL]];
        yield 'no name' => [['channels' => [self::CHANNEL]], 'Give the bench a name'];
        yield 'a port of the system' => [['bench' => 'Cedar', 'port' => 80, 'channels' => [self::CHANNEL]], '"port" is a whole number from 1024 to 65535.'];
        yield 'a speed no port has' => [['bench' => 'Cedar', 'baud' => 9601, 'channels' => [self::CHANNEL]], '"baud" is one of 1200'];
        yield 'no channels' => [['bench' => 'Cedar', 'channels' => []], '"channels" lists what the numbers'];
        yield 'too many' => [['bench' => 'Cedar', 'channels' => array_fill(0, 17, self::CHANNEL)], 'from 1 to 16 of them'];
        yield 'a kind nobody knows' => [$with(['kind' => 'crystal ball']), 'Channel 1 needs a kind: one of ph-electrode'];
        yield 'no unit' => [$with(['unit' => ' ']), 'Channel 1 needs the unit'];
        yield 'no resolution' => [$with(['resolution' => 0]), 'Channel 1 needs its resolution'];
        yield 'a range upside down' => [$with(['range' => [5, 5]]), 'The range of channel 1'];
        yield 'half a range' => [$with(['range' => [5]]), 'The range of channel 1'];
        yield 'the same name twice' => [['bench' => 'Cedar', 'channels' => [['name' => 'a'] + self::CHANNEL, ['name' => 'a'] + self::CHANNEL]], 'Each channel needs a name of its own.'];
        yield 'the same serial number twice' => [['bench' => 'Cedar', 'channels' => [['serial' => '7'] + self::CHANNEL, ['serial' => '7'] + self::CHANNEL]], 'Each channel needs a serial of its own.'];
    }

    /** @param  array<string, mixed>  $data */
    #[DataProvider('wrong')]
    public function test_says_what_does_not_fit(array $data, string $sentence): void
    {
        $this->expectException(SerialProblem::class);
        $this->expectExceptionMessage($sentence);

        SerialFile::of($data);
    }

    public function test_says_when_there_is_no_file_or_it_is_no_json(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'serial');
        file_put_contents($path, '{"bench": "Cedar",}');
        foreach ([$path => 'is no JSON object: Syntax error.', "{$path}.none" => 'There is no file'] as $file => $sentence) {
            try {
                SerialFile::read($file);
                self::fail('It was read.');
            } catch (SerialProblem $problem) {
                self::assertStringContainsString($sentence, $problem->getMessage());
            }
        }
        file_put_contents($path, (string) json_encode(['bench' => 'Cedar', 'channels' => [self::CHANNEL]]));
        self::assertSame('Cedar', SerialFile::read($path)->bench);
        unlink($path);
    }
}
