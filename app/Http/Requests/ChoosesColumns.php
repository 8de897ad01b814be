<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Notebook\NotebookRows;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Notebook\Symbols;

/** A request that names columns of numbers. */
trait ChoosesColumns
{
    /** @return list<string> symbols it names, whether there are such columns or not */
    public function named(string ...$fields): array
    {
        return array_merge([], ...array_map(fn (string $field): array => explode(',', $this->string($field)->toString()), array_values($fields)));
    }

    /**
     * @return string symbol
     *
     * @throws ValidationException If it is no column of numbers here.
     */
    public function column(string $which, NotebookRows $rows): string
    {
        return $this->numbers($which, $this->string($which)->toString(), $rows);
    }

    /**
     * @return string symbol of a column of the rows or of the runs table
     *
     * @throws ValidationException If it is neither.
     */
    public function plotted(string $which, NotebookRows $rows): string
    {
        $symbol = $this->string($which)->toString();

        return self::isOfRuns($symbol, $rows) ? $symbol : $this->numbers($which, $symbol, $rows);
    }

    /** @throws ValidationException If it is no column of numbers here. */
    private function numbers(string $which, string $symbol, NotebookRows $rows): string
    {
        $column = $rows->columns->firstWhere('symbol', $symbol);
        if ($column === null || $column->is_words) {
            throw ValidationException::withMessages([$which => "There is no column of numbers \"{$symbol}\" in this experiment. There are: ".$rows->columns->where('is_words', false)->pluck('symbol')->join(', ').'.']);
        }

        return $symbol;
    }

    /** Whether it is a column of the runs table: an entry of each run, or what a line comes to in each. */
    private static function isOfRuns(string $symbol, NotebookRows $rows): bool
    {
        return $rows->entries->where('is_per_run', true)->where('is_words', false)->contains('symbol', $symbol)
            || $rows->lines->where('is_per_run', true)->contains('symbol', Symbols::base($symbol));
    }
}
