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
        // In one run it has both ends of its own or none.
        $both = $this->has('inRun') ? ['from' => 'required_with:to', 'to' => 'required_with:from'] : ['from' => $need, 'to' => $need];

        return [
            'columnId' => [$this->isMethod('POST') ? 'required' : 'prohibited', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'name' => [$need, 'string', 'max:120'],
            'from' => [$both['from'], Within::of('The beginning of the span', -1e12, 1e12)],
            'to' => [$both['to'], Within::of('The end of the span', -1e12, 1e12)],
            'inRun' => [$this->isMethod('POST') ? 'prohibited' : 'sometimes', 'integer:strict', 'between:1,100000'],
        ];
    }

    public function column(Experiment $experiment): Column
    {
        return $experiment->columns()->findOrFail($this->integer('columnId'));
    }

    /** Number of the one run it is changed in; null: in all that have no ends of their own. */
    public function run(): ?int
    {
        return $this->has('inRun') ? $this->integer('inRun') : null;
    }

    /** @return array{float, float}|null from and to in that run; null: as in all others */
    public function ends(): ?array
    {
        return $this->has('from') && $this->has('to') ? [$this->float('from'), $this->float('to')] : null;
    }

    /** @return array{name?: string, from?: float, to?: float} */
    public function changes(): array
    {
        return ($this->has('name') ? ['name' => $this->string('name')->trim()->toString()] : [])
            + ($this->has('from') ? ['from' => $this->float('from')] : []) + ($this->has('to') ? ['to' => $this->float('to')] : []);
    }
}
