<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** Numbers as they are stored: float64, little-endian. */
final class Packed
{
    public const BYTES = 8;

    /** Under names of one letter numbers are taken apart in two thirds of the time: the others are made anew for each number. */
    private const NAMES = [
        'a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j', 'k', 'l', 'm', 'n', 'o', 'p', 'q', 'r', 's', 't', 'u', 'v', 'w', 'x', 'y', 'z',
        'A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', 'J', 'K', 'L', 'M', 'N', 'O', 'P', 'Q', 'R', 'S', 'T', 'U', 'V', 'W', 'X', 'Y', 'Z',
    ];

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
        $format = 'e'.implode('/e', self::NAMES);
        $step = count(self::NAMES) * self::BYTES;
        $parts = [];
        for ($at = 0, $last = strlen($bytes) - $step; $at <= $last; $at += $step) {
            $parts[] = array_values(self::unpacked($format, $bytes, $at));
        }
        $parts[] = array_values(self::unpacked('e*', $bytes, $at));

        return array_merge(...$parts);
    }

    /** @return array<float> */
    private static function unpacked(string $format, string $bytes, int $at): array
    {
        /** @var array<float> $numbers */
        $numbers = unpack($format, $bytes, $at) ?: [];

        return $numbers;
    }
}
