<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Notebook\NotebookRows;
use Illuminate\Validation\ValidationException;

/** A request that names columns of numbers. */
trait ChoosesColumns
{
    /**
     * @return string symbol
     *
     * @throws ValidationException If it is no column of numbers here.
     */
    public function column(string $which, NotebookRows $rows): string
    {
        return $this->numbers($which, $this->string($which)->toString(), $rows);
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
}
