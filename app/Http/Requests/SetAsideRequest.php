<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class SetAsideRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['setAsideReason' => ['present', 'nullable', 'string', 'min:3', 'max:200']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'setAsideReason.min' => 'Say why in a few words, so that a reader can judge.',
            'setAsideReason.max' => 'Say why in at most 200 letters.',
        ];
    }

    public function reason(): ?string
    {
        return $this->filled('setAsideReason') ? $this->string('setAsideReason')->trim()->toString() : null;
    }
}
