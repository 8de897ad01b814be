<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A block of cells as it was typed or pasted: where it begins, in which columns, and its rows. */
final class CellsRequest extends FormRequest
{
    private const MOST_COLUMNS = 50;

    private const MOST_ROWS = 100_000;

    private const LONGEST = 200;

    private const NONE = 'There are no cells to put in.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'row' => ['present', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'columns' => ['required', 'array', 'list', 'min:1', 'max:'.self::MOST_COLUMNS],
            'columns.*' => ['integer:strict', 'between:1,'.PHP_INT_MAX, 'distinct'],
            // Looked at here and not cell by cell: a rule for each of a hundred thousand takes a minute.
            'cells' => ['required', 'array', 'list', 'min:1', 'max:'.self::MOST_ROWS, $this->cellsAreTexts(...)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'row.*' => 'Say in which row the cells begin.', 'columns.*' => 'Say which columns the cells belong to, each once.',
            'cells.max' => 'At most 100,000 rows are put in at once. Read them from a file instead.', 'cells.required' => self::NONE, 'cells.array' => self::NONE, 'cells.list' => self::NONE, 'cells.min' => self::NONE,
        ];
    }

    private function cellsAreTexts(string $attribute, mixed $cells, \Closure $fail): void
    {
        foreach (is_array($cells) ? array_values($cells) : [] as $i => $row) {
            if (! is_array($row) || ! array_is_list($row) || count($row) > self::MOST_COLUMNS) {
                $fail('Row '.($i + 1).' of the cells is no list of cells.');

                return;
            }
            foreach ($row as $cell) {
                if ($cell !== null && (! is_string($cell) || mb_strlen($cell) > self::LONGEST)) {
                    $fail('Row '.($i + 1).' of the cells has one that is no text of at most '.self::LONGEST.' letters.');

                    return;
                }
            }
        }
    }

    public function row(): ?int
    {
        return $this->filled('row') ? $this->integer('row') : null;
    }

    /** @return list<int> */
    public function columns(): array
    {
        return array_map(intval(...), array_values($this->array('columns')));
    }

    /** @return list<list<string|null>> */
    public function cells(): array
    {
        /** @var list<list<string|null>> $cells */
        $cells = $this->array('cells');

        return $cells;
    }
}
