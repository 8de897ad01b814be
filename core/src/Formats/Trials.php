<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

/**
 * The columns of a wide table that are trials of one and the same: "half strength trial 2", "cellar 3". What all of them have in
 * common, as time, stands in columns before them.
 */
final class Trials
{
    /** A condition, perhaps none, then which trial it is: by a word for it, or by a number that stands apart. */
    private const NAMES = [
        '/^(?<condition>.*?)[\s,;:_–-]*(?<!\pL)(?:trial|run|repeat|try|take|series)[\s_]*(?:no\.?\s*|#\s*)?(?<trial>\d{1,3})$/iu',
        '/^(?<condition>.*\S)\s+#?(?<trial>\d{1,3})$/u',
    ];

    private function __construct(public readonly string $condition, public readonly int $trial, public readonly TableColumn $column)
    {
    }

    /**
     * @return list<self> in the order of the columns; none where fewer than two columns are trials, a column is in doubt, or they
     *                    are not of one unit
     */
    public static function in(Table $table): array
    {
        $trials = [];
        foreach ($table->columns as $column) {
            $trial = $column->kind === ColumnKind::Number ? self::named($column) : null;
            if ($trial !== null) {
                $trials["{$trial->condition} {$trial->trial}"][] = $trial;
            }
        }
        $found = array_merge([], ...array_values($trials));
        $units = array_unique(array_map(static fn (self $t): string => $t->column->unit, $found));

        return count($found) > 1 && count($trials) === count($found) && count($units) === 1 ? $found : [];
    }

    /** @return list<TableColumn> what all trials have in common, as time */
    public static function common(Table $table): array
    {
        $own = array_map(static fn (self $t): string => $t->column->symbol, self::in($table));

        return array_values(array_filter($table->columns, static fn (TableColumn $c): bool => ! in_array($c->symbol, $own, true)));
    }

    private static function named(TableColumn $column): ?self
    {
        foreach (self::NAMES as $name) {
            if (preg_match($name, $column->name, $match) === 1) {
                return new self(trim($match['condition']), (int) $match['trial'], $column);
            }
        }

        return null;
    }
}
