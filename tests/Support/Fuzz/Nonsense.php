<?php

declare(strict_types=1);

namespace Tests\Support\Fuzz;

use Random\Randomizer;

/** Values that somebody, or some program, might send instead of what is asked for; as JSON text, because some are no PHP values. */
final readonly class Nonsense
{
    private const JSON = [
        'null', 'true', 'false', '0', '-0', '-1', '1', '1.5', '1e308', '-1e308', '1e999', '-1e999', '5e-324', '1e-320', '1e-100', '1e-200', '99999999999999999999',
        '-99999999999999999999', '9223372036854775807', '4294967296', '1e9', '1e15', '0.1', '[]', '{}', '[[]]', '[null]', '[1,2,3]', '{"a":{"b":{"c":[]}}}', '{"0":1}',
        '""', '" "', '"0"', '"-1"', '"1e999"', '"1e308"', '"25,0"', '"0x1F"', '"NaN"', '"INF"', '"null"', '"true"', '"=1+1"', '"\u0000"', '"a\u0000b"', '"\ud83d\ude00"',
        '"\u202e\u200b"', '"\uff11\uff12"', '"mol\/L\u00b2\u00b2\u00b2\u00b2\u00b2\u00b2\u00b2\u00b2\u00b2\u00b2"', '"mm^99\/mm^-99"', '"g^1\/0"', '"10^999\/mL"',
        '"%"', '"<script>alert(1)<\/script>"', '"\' OR 1=1 --"', '"..\/..\/etc"', '"2027-02-31"', '"9999-99-99"', '"0000-00-00"', '"buffer"', '"weight"', '"typed"', '"7.00"',
    ];

    private const PATHS = ['0', '-1', '1.5', '1e3', '99999999999999999999', '9223372036854775808', '999999999', 'nonsense', '1abc', '%00', '%C3%28', '%2e%2e', '1%2c2', '%20', 'null', '%F0%9F%98%80'];

    private const BODIES = ['', '[]', '{}', 'null', '5', '"text"', 'true', '{', '{"a":', '[1,', "\xC3\x28", "\x00\x00", '{"a":1}{"b":2}', '1e999', '{"__proto__":{}}', '{"id":1,"do":"hello"}'];

    private const QUERIES = ['', 'run[]=1', 'run=1e999', 'run=99999999999999999999', 'decimal[]=x', 'decimal=%00', 'run=&decimal=', 'a[b][c][]=1', '%5B%5D=1', 'page=-1'];

    public function __construct(private Randomizer $chance)
    {
    }

    public function json(): string
    {
        return match ($this->chance->getInt(0, 19)) {
            0 => json_encode(str_repeat('x', $this->chance->getInt(1, 9000)), JSON_THROW_ON_ERROR),
            1 => str_repeat('[', 30).str_repeat(']', 30),
            2 => '['.implode(',', array_fill(0, 500, '1')).']',
            3 => (string) json_encode($this->chance->getInt(-1_000_000, 1_000_000) / 1000),
            default => self::JSON[$this->chance->getInt(0, count(self::JSON) - 1)],
        };
    }

    public function path(): string
    {
        return self::PATHS[$this->chance->getInt(0, count(self::PATHS) - 1)];
    }

    public function body(): string
    {
        return self::BODIES[$this->chance->getInt(0, count(self::BODIES) - 1)];
    }

    public function query(): string
    {
        return self::QUERIES[$this->chance->getInt(0, count(self::QUERIES) - 1)];
    }
}
