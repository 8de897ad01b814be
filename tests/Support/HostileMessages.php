<?php

declare(strict_types=1);

namespace Tests\Support;

/** What a broken or malicious device may send, each with what must then be said of it. */
final class HostileMessages
{
    private const CHANNEL = [
        'name' => 'temperature', 'kind' => 'thermometer', 'title' => 'Temperature', 'serial' => 'H', 'unit' => 'V', 'resolution' => 0.001,
        'fastestHz' => 20, 'stated' => ['slope' => 0.01, 'offset' => 0.1],
    ];

    /** The greeting with which a device is accepted; what it does wrong follows. */
    public static function hello(string $bench): string
    {
        return self::json(['told' => 'hello', 'link' => 1, 'bench' => $bench, 'simulated' => false, 'clock' => microtime(true), 'channels' => [['serial' => $bench] + self::CHANNEL]]);
    }

    /** @return array<string, array{\Closure(): iterable<string>, string, isGreeting?: bool}> by name: what is sent, a piece of what is said; isGreeting: instead of a hello */
    public static function all(): array
    {
        $pack = static fn (string $fields): \Closure => static fn (): array => ['[{"n":"temperature","bt":1795456556,'.$fields."}]\n"];
        $hello = static fn (mixed $channels): \Closure => static fn (): array => [self::json(['told' => 'hello', 'link' => 1, 'channels' => $channels])];
        $channel = static fn (array $other): \Closure => $hello([$other + self::CHANNEL]);
        $often = static fn (string $line, int $times): \Closure => static fn (): array => [str_repeat($line, $times)];

        return [
            'a value beyond all measure' => [$pack('"v":1e999,"seq":1'), 'a "v" that is no number'],
            'a value no probe gives' => [$pack('"v":1e308,"seq":1'), 'a "v" that is no number'],
            'values that leap' => [static fn (): array => ['[{"n":"temperature","bt":1,"v":1e308,"seq":1},{"n":"temperature","v":-1e308,"seq":2}]'."\n"], 'a "v" that is no number'],
            'a value that is no number in JSON' => [$pack('"v":NaN,"seq":1'), 'no JSON object or list'],
            'a value without end' => [$pack('"v":-Infinity,"seq":1'), 'no JSON object or list'],
            'a value in words' => [$pack('"v":"high","seq":1'), 'a "v" that is no number'],
            'a value that is a list' => [$pack('"v":[1],"seq":1'), 'a "v" that is no number'],
            'no value' => [$pack('"seq":1'), 'a reading without a value'],
            'a time beyond all measure' => [static fn (): array => ['[{"n":"temperature","bt":1e999,"v":1,"seq":1}]'."\n"], 'a "bt" that is no number'],
            'a time before all time' => [static fn (): array => ['[{"n":"temperature","bt":-5,"v":1,"seq":1}]'."\n"], 'no moment in Unix seconds'],
            'a time in words' => [static fn (): array => ['[{"n":"temperature","bt":"noon","v":1,"seq":1}]'."\n"], 'a "bt" that is no number'],
            'a step beyond all measure' => [$pack('"t":1e200,"v":1,"seq":1'), 'a "t" that is no number'],
            'no number' => [$pack('"v":1'), 'whose numbers "seq" do not rise'],
            'a number that is none' => [$pack('"v":1,"seq":"one"'), 'whose numbers "seq" do not rise'],
            'a number with a fraction' => [$pack('"v":1,"seq":1.5'), 'whose numbers "seq" do not rise'],
            'a number below nought' => [$pack('"v":1,"seq":-3'), 'whose numbers "seq" do not rise'],
            'one, then the largest number' => [static fn (): array => [
                '[{"n":"temperature","bt":1,"v":1,"seq":1}]'."\n", '[{"n":"temperature","bt":2,"v":1,"seq":9223372036854775807}]'."\n",
            ], 'whose numbers "seq" do not rise'],
            'a number larger than there are' => [$pack('"v":1,"seq":99999999999999999999'), 'whose numbers "seq" do not rise'],
            'the same number again in a pack' => [static fn (): array => ['[{"n":"temperature","bt":1,"v":1,"seq":4},{"n":"temperature","v":1,"seq":4}]'."\n"], 'whose numbers "seq" do not rise'],
            'counting anew' => [static fn (): iterable => self::countingAnew(), 'numbers its readings from'],
            'two channels in a pack' => [static fn (): array => ['[{"n":"temperature","v":1,"seq":1},{"n":"ph","v":1,"seq":2}]'."\n"], 'do not all name the same channel'],
            'a channel that is a number' => [static fn (): array => ['[{"n":5,"v":1,"seq":1}]'."\n"], 'do not all name the same channel'],
            'records that are texts' => [static fn (): array => ["[\"a\",\"b\"]\n"], 'a reading that is no JSON object'],
            'an empty pack' => [static fn (): array => ["[]\n"], 'a pack of 0 readings'],
            'a pack of 180,000' => [static fn (): iterable => self::largePack(180_000), 'a pack of 180000 readings'],
            'rubbish' => [static fn (): array => [random_bytes(2000)."\n"], 'no JSON object or list'],
            'half a line' => [static fn (): array => ["[{\"n\":\"temperature\"\n"], 'no JSON object or list'],
            'a text' => [static fn (): array => ["\"hello\"\n"], 'no JSON object or list'],
            'bytes of no alphabet' => [static fn (): array => ["{\"told\":\"\xC3\x28\"}\n"], 'no JSON object or list'],
            'a thousand brackets' => [static fn (): array => [str_repeat('[', 1000).str_repeat(']', 1000)."\n"], 'nested too deeply'],
            'a million brackets' => [static fn (): array => [str_repeat('[', 1_000_000)."\n"], 'nested too deeply'],
            'a line of 9 MB' => [static fn (): array => array_fill(0, 90, str_repeat('x', 100_000)), 'more than 8 MB without an end'],
            'a hello of 9 MB' => [static fn (): array => ['{"told":"hello","channels":[', ...array_fill(0, 90, str_repeat('{"name":"x"},', 8000))], 'more than 8 MB without an end'],
            'a slope of nothing' => [$channel(['stated' => ['slope' => 0, 'offset' => 0]]), 'as good as nothing', 'isGreeting' => true],
            'a slope of almost nothing' => [$channel(['stated' => ['slope' => 1e-320, 'offset' => 0]]), 'as good as nothing', 'isGreeting' => true],
            'a name of 100 kB' => [$channel(['name' => str_repeat('n', 100_000)]), 'whose name is no text', 'isGreeting' => true],
            'a title of 200 letters' => [$channel(['title' => str_repeat('t', 200)]), 'whose title is no text', 'isGreeting' => true],
            'a serial that is a list' => [$channel(['serial' => ['a']]), 'whose serial is no text', 'isGreeting' => true],
            'a rate of nothing' => [$channel(['fastestHz' => 0]), 'whose fastestHz is no number', 'isGreeting' => true],
            'channels that are none' => [$hello('all of them'), 'no list of channels', 'isGreeting' => true],
            'ten thousand channels' => [$hello(array_fill(0, 10_000, self::CHANNEL)), 'more than 64', 'isGreeting' => true],
            'a channel twice' => [$hello([self::CHANNEL, self::CHANNEL]), 'two channels with the same name', 'isGreeting' => true],
            'hello in a loop' => [$often(self::json(['told' => 'hello', 'channels' => []]), 200), 'said "hello" again'],
            'plugs in a loop, with a long title' => [$often(self::json(['told' => 'channels', 'channels' => [['title' => str_repeat('t', 200)] + self::CHANNEL]]), 300), 'whose title is no text'],
            'plugs in a loop' => [$often(self::json(['told' => 'channels', 'channels' => []]), 300), 'again and again that plugs changed'],
            'answers nobody asked for' => [$often("{\"told\":\"act\",\"id\":1}\n", 5000), 'more than 50 control lines a second'],
            'a clock that goes back and back' => [static fn (): iterable => self::clockGoingBack(), 'a clock that goes back again and again'],
            'a flood of readings' => [static fn (): iterable => self::flood(), 'more than 12 MB a second'],
        ];
    }

    /** @return iterable<string> */
    private static function countingAnew(): iterable
    {
        foreach ([...range(1000, 1100), ...range(1, 60)] as $i => $seq) {
            yield '[{"n":"temperature","bt":'.(1_795_456_556 + $i).",\"v\":1,\"seq\":{$seq}}]\n";
        }
    }

    /** @return iterable<string> */
    private static function clockGoingBack(): iterable
    {
        for ($i = 1; $i <= 200; $i++) {
            yield '[{"n":"temperature","bt":'.(1_795_456_556 - 10 * $i).",\"v\":1,\"seq\":{$i}}]\n";
        }
    }

    /** @return iterable<string> */
    private static function largePack(int $count): iterable
    {
        yield '[{"n":"temperature","bt":1795456556,"v":1,"seq":1}';
        for ($i = 2; $i <= $count; $i += 1000) {
            $records = '';
            for ($j = $i; $j < min($count + 1, $i + 1000); $j++) {
                $records .= ",{\"n\":\"temperature\",\"v\":1,\"seq\":{$j}}";
            }
            yield $records;
        }
        yield "]\n";
    }

    /** @return iterable<string> */
    private static function flood(): iterable
    {
        $line = str_repeat(' ', 100_000)."\n";
        for ($i = 0; $i < 1500; $i++) {
            yield $line;
        }
    }

    private static function json(mixed $message): string
    {
        return json_encode($message, JSON_THROW_ON_ERROR)."\n";
    }
}
