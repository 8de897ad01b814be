<?php

declare(strict_types=1);

namespace App\Samples;

use Welkion\Core\Samples\Packed;
use Welkion\Core\Samples\Segment;

/**
 * The samples of a segment stand in several columns of its row: the database reads a long column to its end, and whoever
 * asks for the end of a span needs a few hundred of them.
 */
final class SegmentValues
{
    /** Samples in one column. */
    private const IN_ONE = 8192;

    private const COLUMNS = 8;

    /**
     * @param  list<float>  $values  of a whole segment
     * @return array<string, string> by column
     */
    public static function columns(array $values): array
    {
        $columns = [];
        for ($i = 0; $i < self::COLUMNS; $i++) {
            $columns[self::name($i)] = Packed::of(array_slice($values, $i * self::IN_ONE, self::IN_ONE));
        }

        return $columns;
    }

    /** All of them, as SQL. */
    public static function all(): string
    {
        return self::of(0, Segment::SAMPLES)[0];
    }

    /**
     * Some of them, as SQL that reads no more columns than it must.
     *
     * @return array{string, int} what to read from, and which of its numbers is the first
     */
    public static function of(int $from, int $count): array
    {
        $first = intdiv($from, self::IN_ONE);
        $columns = array_map(self::name(...), range($first, intdiv(max($from, $from + $count - 1), self::IN_ONE)));

        return [count($columns) === 1 ? $columns[0] : 'CONCAT('.implode(', ', $columns).')', $from - $first * self::IN_ONE];
    }

    private static function name(int $place): string
    {
        return "values_{$place}";
    }
}
