<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Working\ColumnInput;

/** The rows of a run as they were recorded or typed. A column may be read only when it is asked for: long tables have many that nobody uses. */
final class RunData
{
    /**
     * @param  array<string, ColumnInput|\Closure(): ColumnInput>  $columns  by symbol, each with $rowCount values; NAN for a blank cell
     * @param  array<int, string>  $aside  reason by row, from 0: rows that are shown and not used
     * @param  array<string, array<int, string>>  $asideOf  the same for one column alone, by symbol
     * @param  array<string, list<string>>  $words  of columns whose cells are words
     * @param  array<string, array<int, string>>  $unreadable  what was typed and is no number, by symbol and row from 0; its value is NAN
     */
    public function __construct(
        public readonly int $rowCount,
        private array $columns,
        public readonly array $aside = [],
        public readonly array $asideOf = [],
        public readonly array $words = [],
        public readonly array $unreadable = [],
    ) {
    }

    /** Null if the run has no such column. */
    public function column(string $symbol): ?ColumnInput
    {
        $column = $this->columns[$symbol] ?? null;

        return $column instanceof \Closure ? $this->columns[$symbol] = $column() : $column;
    }

    /** @return list<string> */
    public function symbols(): array
    {
        return array_map(strval(...), array_keys($this->columns));
    }
}
