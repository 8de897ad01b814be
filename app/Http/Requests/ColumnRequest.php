<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Notebook\ColumnKind;

/** A new column, or what is changed of one. */
final class ColumnRequest extends FormRequest
{
    private const NAMES = [
        'symbol' => 'symbol', 'name' => 'name', 'unit' => 'unit', 'formula' => 'formula', 'decimals' => 'decimals', 'least' => 'least', 'most' => 'most',
        'finest' => 'finest', 'isRaw' => 'is_raw', 'isSteady' => 'is_steady', 'isWords' => 'is_words', 'position' => 'position', 'kind' => 'kind',
        'uncertainty' => 'uncertainty', 'uncertaintyOf' => 'uncertainty_of', 'isHidden' => 'is_hidden', 'width' => 'width',
    ];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $isNew = $this->isMethod('POST');
        $need = $isNew ? 'required' : 'sometimes';

        return [
            'symbol' => [$need, 'string', 'max:20'],
            'name' => [$need, 'string', 'max:120'],
            'unit' => ['sometimes', 'nullable', 'string', 'max:30'],
            'kind' => $isNew ? ['required', Rule::in([ColumnKind::Measured->value, ColumnKind::Step->value, ColumnKind::Typed->value, ColumnKind::Derived->value])] : ['prohibited'],
            'formula' => ['required_if:kind,derived', 'nullable', 'string', 'max:400'],
            'probeKind' => $isNew ? ['required_if:kind,measured', 'nullable', Rule::enum(ProbeKind::class)] : ['prohibited'],
            'probeTitle' => $isNew ? ['sometimes', 'nullable', 'string', 'max:80'] : ['prohibited'],
            'isBeside' => $isNew ? ['sometimes', 'boolean'] : ['prohibited'],
            'decimals' => ['sometimes', 'nullable', 'integer:strict', 'between:0,9'],
            'least' => ['sometimes', 'nullable', Within::of('The lowest step', -1e9, 1e9)],
            'most' => ['sometimes', 'nullable', Within::of('The highest step', -1e9, 1e9)],
            'finest' => ['sometimes', 'nullable', Within::of('The smallest step', 1e-9, 1e9)],
            'isRaw' => ['sometimes', 'boolean'],
            'isSteady' => ['sometimes', 'boolean'],
            'isWords' => ['sometimes', 'boolean'],
            'position' => ['sometimes', 'integer:strict', 'between:1,1000'],
            'uncertainty' => ['sometimes', Within::of('The ±', 0.0, 1e9)],
            'uncertaintyOf' => ['sometimes', 'nullable', 'string', 'max:20'],
            'isHidden' => ['sometimes', 'boolean'],
            'width' => ['sometimes', 'nullable', 'integer:strict', 'between:40,600'],
            'keepsNumbers' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'symbol.required' => 'Give it a symbol, as T or P.', 'name.required' => 'Say what it is, as temperature.', 'kind.*' => 'Say how its cells come about.',
            'formula.required_if' => 'Write the formula, as P * V.', 'probeKind.required_if' => 'Choose the probe that measures it.',
        ];
    }

    /** @return array<string, mixed> columns to write */
    public function columns(): array
    {
        $columns = [];
        foreach (self::NAMES as $name => $column) {
            if ($this->has($name)) {
                $value = $this->input($name);
                $columns[$column] = match (true) {
                    str_starts_with($column, 'is_') => $this->boolean($name),
                    $name === 'unit' => $this->string('unit')->trim()->toString(),
                    is_string($value) && in_array($name, ['least', 'most', 'finest', 'uncertainty'], true) => (float) $value,
                    default => is_string($value) ? trim($value) : $value,
                };
            }
        }

        return $columns;
    }

    /** @return array{kind: string, title?: string, isBeside?: true}|null the probe of a measured one */
    public function probe(): ?array
    {
        return ! $this->filled('probeKind') ? null : ['kind' => $this->string('probeKind')->toString()]
            + ($this->filled('probeTitle') ? ['title' => $this->string('probeTitle')->toString()] : [])
            + ($this->boolean('isBeside') ? ['isBeside' => true] : []);
    }
}
