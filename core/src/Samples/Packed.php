<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** Numbers as they are stored: float64, little-endian. */
final class Packed
{
    public const BYTES = 8;

    /** @param  list<float>  $numbers */
    public static function of(array $numbers): string
    {
        // In pieces: a segment has more numbers than a call may have arguments comfortably.
        return implode('', array_map(static fn (array $piece): string => pack('e*', ...$piece), array_chunk($numbers, 4096)));
    }

    /** @param  list<Moments>  $moments */
    public static function moments(array $moments): string
    {
        return self::of(array_merge([], ...array_map(static fn (Moments $m): array => $m->numbers(), $moments)));
    }

    /** @return list<float> */
    public static function numbers(string $bytes): array
    {
        /** @var array<int, float> $numbers */
        $numbers = unpack('e*', $bytes) ?: [];

        return array_values($numbers);
    }
}
