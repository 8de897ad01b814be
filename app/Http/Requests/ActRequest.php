<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class ActRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'act' => ['required', 'string', 'in:rinse,dip,new-sample,dispense,stir,speed'],
            'into' => ['required_if:act,dip', 'string', 'max:40'],
            'volume' => ['required_if:act,dispense', 'numeric', 'gt:0', 'max:100'],
            'on' => ['required_if:act,stir', 'boolean'],
            'times' => ['required_if:act,speed', 'integer', 'in:1,10,60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'volume.numeric' => 'The volume to add must be a number of mL, like 0.25.',
            'volume.gt' => 'The volume to add must be above 0 mL.',
            'volume.max' => 'A burette does not hold more than 100 mL.',
        ];
    }

    /** @return array<string, mixed> */
    public function details(): array
    {
        return array_filter([
            'act' => $this->string('act')->toString(),
            'into' => $this->has('into') ? $this->string('into')->toString() : null,
            'volume' => $this->has('volume') ? $this->float('volume') : null,
            'on' => $this->has('on') ? $this->boolean('on') : null,
            'times' => $this->has('times') ? $this->integer('times') : null,
        ], static fn (mixed $detail): bool => $detail !== null);
    }
}
