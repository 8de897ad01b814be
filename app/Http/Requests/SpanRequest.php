<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use App\Models\Column;
use App\Models\Experiment;
use Illuminate\Foundation\Http\FormRequest;

/** A new span, or what is changed of one. */
final class SpanRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $need = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'columnId' => [$this->isMethod('POST') ? 'required' : 'prohibited', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'name' => [$need, 'string', 'max:120'],
            'from' => [$need, Within::of('The beginning of the span', -1e12, 1e12)],
            'to' => [$need, Within::of('The end of the span', -1e12, 1e12)],
        ];
    }

    public function column(Experiment $experiment): Column
    {
        return $experiment->columns()->findOrFail($this->integer('columnId'));
    }

    /** @return array{name?: string, from?: float, to?: float} */
    public function changes(): array
    {
        return ($this->has('name') ? ['name' => $this->string('name')->trim()->toString()] : [])
            + ($this->has('from') ? ['from' => $this->float('from')] : []) + ($this->has('to') ? ['to' => $this->float('to')] : []);
    }
}
