<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Working\Rising;

/** The rows of a run within a stretch of one of its columns. */
final class Stretch
{
    /**
     * @param  string  $column  symbol
     * @param  float  $from  in the unit of the column, as the other end
     * @return list<int> places of the rows from 0, as they stand; none where the column cannot be worked out, or there is none
     */
    public static function places(WorkedNotebook $worked, int $run, string $column, float $from, float $to): array
    {
        $cells = isset($worked->notebook->columns[$column]) ? $worked->column($column, $run)->cells : null;
        if ($cells === null) {
            return [];
        }
        if ($cells->isRising()) {
            [$first, $count] = Rising::within($cells->values, $from, $to);

            return $count === 0 ? [] : range($first, $first + $count - 1);
        }

        return array_keys(array_filter($cells->values, static fn (float $value): bool => $value >= $from && $value <= $to));
    }
}
