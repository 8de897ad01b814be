<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Why a calibration is set aside; null takes it back into use. */
final class ReasonRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['reason' => ['present', 'nullable', 'string', 'min:3', 'max:200']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['reason.min' => 'Say in a few words why it is set aside.', 'reason.max' => 'Say it in at most 200 characters.'];
    }

    public function reason(): ?string
    {
        return $this->filled('reason') ? $this->string('reason')->trim()->toString() : null;
    }
}
