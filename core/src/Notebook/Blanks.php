<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** Cells that nothing was typed in though their row and their column have others: they are left out, and told. */
final class Blanks
{
    /**
     * A column that is blank as a whole, a row that is, and the last row, which may be just being typed, are not told.
     *
     * @param  list<string>  $symbols  of columns of numbers that are typed
     * @param  list<string>  $whole  those of them that are known to have a number in each row
     * @return array<string, list<int>> rows from 0, by symbol
     */
    public static function in(RunData $data, array $symbols, array $whole = []): array
    {
        $values = [];
        foreach (array_diff($symbols, $whole) as $symbol) {
            $of = $data->column($symbol)->values ?? [];
            $hasAny = false;
            for ($row = 0; $row < $data->rowCount && ! $hasAny; $row++) {
                $hasAny = is_finite($of[$row] ?? NAN);
            }
            $values += $hasAny ? [$symbol => $of] : [];
        }
        $blanks = [];
        foreach ($values as $symbol => $of) {
            // A sum is finite where each of its parts is.
            for ($row = is_finite(array_sum($of)) ? $data->rowCount : 0; $row < $data->rowCount - 1; $row++) {
                if (! is_finite($of[$row] ?? NAN) && ! isset($data->unreadable[$symbol][$row]) && ! isset($data->aside[$row]) && ($whole !== [] || self::hasOther($data, $values, $symbol, $row))) {
                    $blanks[$symbol][] = $row;
                }
            }
        }

        return $blanks;
    }

    /** @param  array<string, list<float>>  $values */
    private static function hasOther(RunData $data, array $values, string $symbol, int $row): bool
    {
        foreach ($values as $other => $of) {
            if ($other !== $symbol && (is_finite($of[$row] ?? NAN) || isset($data->unreadable[$other][$row]))) {
                return true;
            }
        }

        return false;
    }
}
