<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Fitting\Relation;

/** Which two columns are to be made straight, and which of the ways is taken. */
final class WayRequest extends FormRequest
{
    use ChoosesColumns;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $symbol = ['required', 'string', 'max:41'];

        return ['x' => [...$symbol, 'different:y'], 'y' => $symbol]
            + ($this->isMethod('POST') ? ['relation' => ['required', Rule::enum(Relation::class)], 'hasLine' => ['required', 'boolean:strict']] : []);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'x.different' => 'Choose two different columns.', 'x.*' => 'Say which column is plotted along x.', 'y.*' => 'Say which column is plotted upwards.',
            'relation.*' => 'Choose one of the ways.', 'hasLine.*' => 'Say whether a line of working is wanted.',
        ];
    }

    public function relation(): Relation
    {
        return $this->enum('relation', Relation::class) ?? abort(422);
    }
}
