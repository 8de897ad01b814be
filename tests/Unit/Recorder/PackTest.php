<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Link\DeviceFault;
use App\Recorder\Link\Pack;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PackTest extends TestCase
{
    public function test_reads_the_example_of_the_probe_link(): void
    {
        preg_match('/```json\n(.*?)```/s', (string) file_get_contents(__DIR__.'/../../../docs/probe-link.md'), $example);

        $pack = Pack::from(json_decode($example[1] ?? '', true, flags: JSON_THROW_ON_ERROR));

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

        self::assertSame([101.0, 201.0, 200.0], array_column($pack->samples, 'time'));
        self::assertNull($pack->madeAt);
    }

    /** @return iterable<string, array{list<mixed>, string}> */
    public static function noReadings(): iterable
    {
        $good = ['n' => 'ph', 'v' => 1.0, 'seq' => 1];
        $numbers = 'It sent readings whose numbers "seq" do not rise from 1 to at most 9007199254740991.';
        $value = 'It sent a "v" that is no number from -1e12 to 1e12.';
        yield 'nothing' => [[], 'It sent a pack of 0 readings; it must hold 1 to 120000.'];
        yield 'more than two minutes' => [array_fill(0, 120_001, $good), 'It sent a pack of 120001 readings; it must hold 1 to 120000.'];
        yield 'a text for a record' => [['ph'], 'It sent a reading that is no JSON object.'];
        yield 'no number of the reading' => [[['n' => 'ph', 'v' => 1.0]], $numbers];
        yield 'a number that is none' => [[['seq' => 1.5] + $good], $numbers];
        yield 'number nought' => [[['seq' => 0] + $good], $numbers];
        yield 'the largest number there is' => [[['seq' => PHP_INT_MAX] + $good], $numbers];
        yield 'the same number twice' => [[$good, $good], $numbers];
        yield 'no value' => [[['n' => 'ph', 'seq' => 1]], 'It sent a reading without a value "v".'];
        yield 'a value in words' => [[['v' => 'high'] + $good], $value];
        yield 'a value beyond all measure' => [[['v' => INF] + $good], $value];
        yield 'a value that no probe gives' => [[['v' => -1.1e12] + $good], $value];
        yield 'no channel' => [[['v' => 1.0, 'seq' => 1]], 'It sent a pack whose readings do not all name the same channel "n".'];
        yield 'two channels at once' => [[$good, ['n' => 'temperature', 'v' => 1.0, 'seq' => 2]], 'It sent a pack whose readings do not all name the same channel "n".'];
        yield 'a base time beyond all measure' => [[['bt' => INF] + $good], 'It sent a "bt" that is no number from -1e11 to 1e11.'];
        yield 'a time before all time' => [[['t' => -5] + $good], 'It sent a reading for a time that is no moment in Unix seconds.'];
    }

    /** @param  list<mixed>  $records */
    #[DataProvider('noReadings')]
    public function test_what_is_no_pack_of_one_channel_is_a_fault_in_words(array $records, string $sentence): void
    {
        $this->expectException(DeviceFault::class);
        $this->expectExceptionMessage($sentence);

        Pack::from($records);
    }

    public function test_takes_the_largest_that_is_allowed(): void
    {
        $pack = Pack::from([['bt' => 1e11, 'n' => 'ph', 'v' => -1e12, 'seq' => 9007199254740991]]);

        self::assertSame([1e11, -1e12, 9007199254740991], [$pack->samples[0]->time, $pack->samples[0]->value, $pack->samples[0]->seq]);
    }
}
