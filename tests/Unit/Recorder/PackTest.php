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

    public function test_a_series_stands_for_its_readings_beside_single_ones(): void
    {
        $pack = Pack::from([
            ['bt' => 100.0, 'n' => 'ecg', 't' => 1, 'dt' => 0.002, 'vs' => [0.5, -1, 2.25], 'seq' => 10, 'wall' => 5.0],
            ['n' => 'ecg', 't' => 2, 'v' => 7, 'seq' => 13],
            ['n' => 'ecg', 't' => 3, 'vs' => [8], 'seq' => 20],
        ]);

        self::assertSame([10, 11, 12, 13, 20], array_column($pack->samples, 'seq'));
        self::assertSame([0.5, -1.0, 2.25, 7.0, 8.0], array_column($pack->samples, 'value'));
        self::assertEqualsWithDelta([101.0, 101.002, 101.004, 102.0, 103.0], array_column($pack->samples, 'time'), 1e-9);
        preg_match_all('/```json\n(.*?)```/s', (string) file_get_contents(__DIR__.'/../../../docs/probe-link.md'), $examples);
        $told = Pack::from(json_decode($examples[1][1] ?? '', true, flags: JSON_THROW_ON_ERROR))->samples;
        self::assertCount(5, $told);
        self::assertEqualsWithDelta(0.008, $told[4]->time - $told[0]->time, 1e-6);
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
        $series = ['n' => 'ph', 'vs' => [1.0, 2.0], 'dt' => 0.5, 'seq' => 1];
        yield 'a series without its step' => [[array_diff_key($series, ['dt' => 0])], 'It sent a series "vs" without its step "dt".'];
        yield 'a series that is none' => [[['vs' => 'many'] + $series], 'It sent a series "vs" that is no list of 1 to 120000 values.'];
        yield 'an empty series' => [[['vs' => []] + $series], 'It sent a series "vs" that is no list of 1 to 120000 values.'];
        yield 'a series by name' => [[['vs' => ['a' => 1.0]] + $series], 'It sent a series "vs" that is no list of 1 to 120000 values.'];
        yield 'a series too long' => [[['vs' => array_fill(0, 120_001, 1)] + $series], 'It sent a series "vs" that is no list of 1 to 120000 values.'];
        yield 'a word in a series' => [[['vs' => [1.0, 'high']] + $series], 'It sent a "vs" that holds no number from -1e12 to 1e12.'];
        yield 'too large a number in a series' => [[['vs' => [1.0, 1.1e12]] + $series], 'It sent a "vs" that holds no number from -1e12 to 1e12.'];
        yield 'a series that goes back in time' => [[['dt' => -0.5] + $series], 'It sent a reading for a time that is no moment in Unix seconds.'];
        yield 'a series beyond all time' => [[['bt' => 1e11] + $series], 'It sent a reading for a time that is no moment in Unix seconds.'];
        yield 'a series whose numbers run out' => [[['seq' => 9007199254740991] + $series], $numbers];
        yield 'a series that begins before the last one ended' => [[$series, ['seq' => 2] + $series], $numbers];
        yield 'several series too long together' => [[['vs' => array_fill(0, 70_000, 1)] + $series, ['seq' => 70_001, 'vs' => array_fill(0, 70_000, 1)] + $series], 'It sent a pack of more than 120000 readings.'];
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
