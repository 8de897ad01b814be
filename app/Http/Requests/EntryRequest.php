<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A new entry, or what is changed of one. */
final class EntryRequest extends FormRequest
{
    use NamesARun;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $need = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'symbol' => [$need, 'string', 'max:20'],
            'name' => [$need, 'string', 'max:120'],
            'unit' => ['sometimes', 'nullable', 'string', 'max:30'],
            'isPerRun' => ['sometimes', 'boolean'],
            'isWords' => ['sometimes', 'boolean'],
            'first' => [$this->isMethod('POST') ? 'sometimes' : 'prohibited', 'array:runId,typed'],
            'first.runId' => ['required_with:first', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'first.typed' => ['required_with:first', 'string', 'max:60'],
            'position' => ['sometimes', 'integer:strict', 'between:1,1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['symbol.required' => 'Give it a symbol, as m or c0.', 'name.required' => 'Say what it is, as mass of the cup.'];
    }

    /** @return array{symbol: string, name: string, unit: string, is_per_run: bool, is_words: bool} */
    public function made(): array
    {
        return [
            'symbol' => $this->string('symbol')->trim()->toString(), 'name' => $this->string('name')->trim()->toString(), 'unit' => $this->string('unit')->trim()->toString(),
            'is_per_run' => $this->boolean('isPerRun'), 'is_words' => $this->boolean('isWords'),
        ];
    }

    /** Its value in a run, as it is typed. */
    public function typed(): ?string
    {
        return $this->has('first') ? $this->string('first.typed')->trim()->toString() : null;
    }

    private function runField(): string
    {
        return 'first.runId';
    }

    /** @return array{symbol?: string, name?: string, unit?: string, position?: int} */
    public function changes(): array
    {
        $changes = [];
        foreach (['symbol', 'name', 'unit'] as $name) {
            if ($this->has($name)) {
                $changes[$name] = $this->string($name)->trim()->toString();
            }
        }

        return $changes + ($this->has('position') ? ['position' => $this->integer('position')] : []);
    }
}
