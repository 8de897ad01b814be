<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Working\ColumnInput;

/** The rows of a run as they were recorded or typed. */
final readonly class RunData
{
    /**
     * @param  array<string, ColumnInput>  $columns  by symbol, each with $rowCount values; NAN for a blank cell
     * @param  array<int, string>  $aside  reason by row, from 0: rows that are shown and not used
     * @param  array<string, array<int, string>>  $asideOf  the same for one column alone, by symbol
     * @param  array<string, list<string>>  $words  of columns whose cells are words
     * @param  array<string, array<int, string>>  $unreadable  what was typed and is no number, by symbol and row from 0; its value is NAN
     */
    public function __construct(
        public int $rowCount,
        public array $columns,
        public array $aside = [],
        public array $asideOf = [],
        public array $words = [],
        public array $unreadable = [],
    ) {
    }
}
