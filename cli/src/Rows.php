<?php

declare(strict_types=1);

namespace Welkion\Cli;

use Welkion\Core\Formats\Table;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** Columns of a table row by row: without rows in which one is missing, and only those within given bounds. */
final class Rows
{
    /**
     * @param  array<string, string>  $used  name or symbol of the column by slot
     * @param  list<string>  $bounds  as "Time:20:55"; a side left out is open
     * @return array<string, ColumnInput> by slot
     */
    public static function of(Table $table, array $used, array $bounds): array
    {
        $columns = array_map($table->column(...), $used);
        $within = array_map(static fn (string $text): array => self::bound($table, $text), $bounds);
        $kept = array_fill_keys(array_keys($used), []);
        for ($row = 0; $row < $table->rowCount; $row++) {
            $values = array_map(static fn ($column): float => $column->values[$row], $columns);
            $isInside = array_filter($within, static fn (array $w): bool => ! ($w[0][$row] >= $w[1] && $w[0][$row] <= $w[2])) === [];
            if ($isInside && array_filter($values, is_nan(...)) === []) {
                foreach ($values as $slot => $value) {
                    $kept[$slot][] = $value;
                }
            }
        }
        if (reset($kept) === []) {
            throw Failure::input('No row has a number in every column that is used'.($bounds === [] ? '.' : ' within these bounds.'));
        }
        $inputs = [];
        foreach ($columns as $slot => $column) {
            $inputs[$slot] = new ColumnInput($column->name, Unit::ofHeader($column->unit), $kept[$slot]);
        }

        return $inputs;
    }

    /** @return array{list<float>, float, float} the values, and between which they must lie */
    private static function bound(Table $table, string $text): array
    {
        if (preg_match('/^(.+):([^:]*):([^:]*)$/u', $text, $match) !== 1) {
            throw Failure::input("A stretch of rows is written as COLUMN:FROM:TO, but \"{$text}\" is not.");
        }
        $column = $table->column($match[1]);
        $end = static fn (string $typed, float $open): float => trim($typed) === '' ? $open
            : ValueText::read($typed, "The stretch \"{$text}\"", Unit::ofHeader($column->unit))->in(Unit::ofHeader($column->unit))->value;
        [$from, $to] = [$end($match[2], -INF), $end($match[3], INF)];
        if ($from > $to) {
            throw Failure::input("The stretch \"{$text}\" begins after it ends.");
        }

        return [$column->values, $from, $to];
    }
}
