<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Pack;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PackTest extends TestCase
{
    public function test_reads_the_example_of_the_probe_link(): void
    {
        preg_match('/```json\n(.*?)```/s', (string) file_get_contents(__DIR__.'/../../../docs/probe-link.md'), $example);

        $pack = Pack::from(json_decode($example[1] ?? '', true, flags: JSON_THROW_ON_ERROR));

        self::assertNotNull($pack);
        self::assertSame('ph', $pack->channel);
        self::assertSame([176.5, 176.7], array_column($pack->samples, 'value'));
        self::assertSame(1795456556757432, $pack->samples[1]->seq);
        self::assertEqualsWithDelta(0.25, $pack->samples[1]->time - $pack->samples[0]->time, 1e-6);
    }

    public function test_a_later_base_time_holds_from_there_on(): void
    {
        $pack = Pack::from([
            ['bt' => 100.0, 'n' => 'ph', 't' => 1, 'v' => 1, 'seq' => 1],
            ['bt' => 200.0, 'n' => 'ph', 't' => 1, 'v' => 2, 'seq' => 2, 'wall' => 7.5],
            ['n' => 'ph', 'v' => 3, 'seq' => 3],
        ]);

        self::assertSame([101.0, 201.0, 200.0], array_column($pack->samples ?? [], 'time'));
        self::assertNull($pack?->madeAt);
    }

    /** @return iterable<string, array{array<array-key, mixed>}> */
    public static function noReadings(): iterable
    {
        yield 'nothing' => [[]];
        yield 'a text for a record' => [['ph']];
        yield 'no number of the reading' => [[['n' => 'ph', 'v' => 1.0]]];
        yield 'no value' => [[['n' => 'ph', 'seq' => 1]]];
        yield 'a value in words' => [[['n' => 'ph', 'v' => 'high', 'seq' => 1]]];
        yield 'no channel' => [[['v' => 1.0, 'seq' => 1]]];
        yield 'two channels at once' => [[['n' => 'ph', 'v' => 1.0, 'seq' => 1], ['n' => 'temperature', 'v' => 1.0, 'seq' => 2]]];
    }

    /** @param  array<array-key, mixed>  $records */
    #[DataProvider('noReadings')]
    public function test_passes_over_what_is_no_pack_of_one_channel(array $records): void
    {
        self::assertNull(Pack::from($records));
    }
}
