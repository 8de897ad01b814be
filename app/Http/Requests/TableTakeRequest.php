<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Experiment;
use App\Models\Run;
use App\Models\TableFile;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableHints;
use Welkion\Core\Units\Unit;

/** Which columns of a file are taken, and where to. */
final class TableTakeRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'hints' => ['present', 'array:separator,mark,hasHeader'],
            'runId' => ['present', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'asTrials' => ['required', 'boolean'],
            'isBeside' => ['sometimes', 'boolean', 'declined_if:asTrials,true', 'declined_if:runId,null'],
            'columns' => ['required', 'array', 'list', 'min:1', 'max:50'],
            'columns.*' => ['array:place,columnId,symbol,name,unit,isWords'],
            'columns.*.place' => ['required', 'integer:strict', 'between:0,999', 'distinct'],
            'columns.*.columnId' => ['present', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'columns.*.symbol' => ['required', 'string', 'max:20'],
            'columns.*.name' => ['present', 'nullable', 'string', 'max:120'],
            'columns.*.unit' => ['present', 'nullable', 'string', 'max:30', self::isUnit(...)],
            'columns.*.isWords' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'columns.min' => 'Choose at least one column.', 'columns.required' => 'Choose at least one column.', 'columns.max' => 'At most 50 columns are taken.',
            'columns.*.symbol.*' => 'Give each column a symbol, as T or P.', 'columns.*.*' => 'One of the columns is not told as it should be.',
            'hints.*' => 'Say how the file is to be understood.', 'runId.*' => 'Choose the run that gets the rows.', 'asTrials.*' => 'Say whether its columns are trials.',
            'isBeside.*' => 'Columns go beside the rows of one run: choose the run, and no trials.',
        ];
    }

    public function hints(): TableHints
    {
        return TableFile::hintsOf($this->array('hints'));
    }

    public function run(Experiment $experiment): ?Run
    {
        return ! $this->filled('runId') ? null : $experiment->runs()->whereKey($this->integer('runId'))->get()->first()
            ?? throw ValidationException::withMessages(['runId' => 'The run that was to get these rows is not there any more.']);
    }

    /** @return list<array{place: int, columnId: int|null, symbol: string, name: string, unit: string, isWords: bool}> */
    public function columns(Table $table): array
    {
        $columns = [];
        foreach ($this->array('columns') as $one) {
            $one = is_array($one) ? $one : [];
            $place = is_int($one['place'] ?? null) ? $one['place'] : -1;
            isset($table->columns[$place]) || throw ValidationException::withMessages(['columns' => 'The file has no column '.($place + 1).', as it is understood now.']);
            $text = static fn (string $name): string => is_string($one[$name] ?? null) ? trim($one[$name]) : '';
            $columns[] = [
                'place' => $place, 'columnId' => is_int($one['columnId'] ?? null) ? $one['columnId'] : null, 'symbol' => $text('symbol'), 'name' => $text('name'),
                'unit' => $text('unit'), 'isWords' => ($one['isWords'] ?? false) === true,
            ];
        }

        return $columns;
    }

    private static function isUnit(string $attribute, mixed $value, \Closure $fail): void
    {
        try {
            is_string($value) && Unit::parse(trim($value));
        } catch (CoreException $error) {
            $fail($error->getMessage());
        }
    }
}
