<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Link\Allowance;
use App\Recorder\Link\DeviceConduct;
use App\Recorder\Link\DeviceFault;
use App\Recorder\Link\LineReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How much a device may send, and in which form. */
final class DeviceConductTest extends TestCase
{
    public function test_an_allowance_fills_up_again_and_no_further(): void
    {
        $allowance = new Allowance(perSecond: 2.0, burst: 10.0, now: 100.0);

        self::assertTrue($allowance->take(10.0, 100.0));
        self::assertFalse($allowance->take(0.5, 100.0));
        self::assertTrue($allowance->take(1.5, 101.0), 'Two more came, and half of one was owed.');
        self::assertTrue($allowance->take(10.0, 1000.0));
        self::assertFalse($allowance->take(0.1, 999.0), 'A clock that steps back gives nothing.');
    }

    /** @return iterable<string, array{\Closure(DeviceConduct, float): void, int, string}> what is done again and again, how often it may be, and what is said then */
    public static function floods(): iterable
    {
        yield 'bytes' => [static fn (DeviceConduct $c, float $now) => $c->heard(1_000_000, $now), 60, 'It sends more than 12 MB a second.'];
        yield 'readings' => [static fn (DeviceConduct $c, float $now) => $c->tookSamples(100_000, $now), 20, 'It sends more than 150,000 readings a second.'];
        yield 'control lines' => [static fn (DeviceConduct $c, float $now) => $c->tookControlLine($now), 500, 'It sends more than 50 control lines a second.'];
        yield 'plugs' => [static fn (DeviceConduct $c, float $now) => $c->toldOfChannels($now), 30, 'It tells again and again that plugs changed; look for a loose one.'];
    }

    /** @param  \Closure(DeviceConduct, float): void  $do */
    #[DataProvider('floods')]
    public function test_a_flood_is_a_fault_and_what_is_usual_is_not(\Closure $do, int $atOnce, string $sentence): void
    {
        $conduct = new DeviceConduct(0.0);
        for ($i = 0; $i < $atOnce; $i++) {
            $do($conduct, 0.0);
        }
        // An hour later all of it is allowed again.
        $do($conduct, 3600.0);

        $this->expectExceptionMessage($sentence);
        $this->expectException(DeviceFault::class);
        for ($i = 0; $i < $atOnce; $i++) {
            $do($conduct, 3600.0);
        }
    }

    public function test_lines_are_put_together_from_pieces(): void
    {
        $reader = new LineReader;

        self::assertSame([], $reader->messages('{"told":'));
        self::assertSame([['told' => 'stop'], [['v' => 1]]], $reader->messages("\"stop\"}\n[{\"v\":1}]\n{"));
        self::assertSame([[]], $reader->messages("}\n"));
    }

    /** @return iterable<string, array{string, string}> */
    public static function noMessages(): iterable
    {
        yield 'rubbish' => ["rubbish\n", 'no JSON object or list, or is nested too deeply: “rubbish”'];
        yield 'bytes of no alphabet' => ["\xFF\x00\xFEabc\n", 'no JSON object or list, or is nested too deeply: “·abc”'];
        yield 'a text' => ["\"text\"\n", 'no JSON object or list'];
        yield 'a number' => ["17\n", 'no JSON object or list'];
        yield 'a value that JSON does not have' => ["[{\"v\":NaN}]\n", 'no JSON object or list'];
        yield 'twenty brackets' => [str_repeat('[', 20).str_repeat(']', 20)."\n", 'nested too deeply'];
        yield 'a line that is too long' => [str_repeat(' ', 8_000_001)."\n", 'a line of more than 8 MB without an end'];
        yield 'a line without an end' => [str_repeat('[', 8_000_001), 'a line of more than 8 MB without an end'];
    }

    #[DataProvider('noMessages')]
    public function test_a_line_that_is_no_message_is_a_fault_in_words(string $line, string $what): void
    {
        $this->expectExceptionMessage($what);
        $this->expectException(DeviceFault::class);

        (new LineReader)->messages($line);
    }
}
