<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use Illuminate\Foundation\Http\FormRequest;
use Welkion\Core\Notebook\TimedPlan;

/** A marker to drop, or what is changed of one. */
final class MarkerRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'at' => ['sometimes', 'nullable', Within::of('The moment of the marker', -TimedPlan::MOST_BEFORE_S, TimedPlan::LONGEST_S)],
            'row' => [$this->isMethod('POST') ? 'sometimes' : 'prohibited', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'name' => ['sometimes', 'nullable', 'string', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.max' => 'A marker may be called by at most 120 letters.'];
    }

    public function at(): ?float
    {
        return $this->filled('at') ? $this->float('at') : null;
    }

    public function row(): ?int
    {
        return $this->has('row') ? $this->integer('row') : null;
    }

    public function name(): string
    {
        return $this->string('name')->trim()->toString();
    }

    /** @return array{name?: string, at?: float} */
    public function changes(): array
    {
        return ($this->has('name') ? ['name' => $this->name()] : []) + ($this->filled('at') ? ['at' => $this->float('at')] : []);
    }
}
