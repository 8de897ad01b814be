<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What a probe of no known kind measures. */
final class ProbeRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['title' => ['required', 'string', 'max:80'], 'unit' => ['required', 'string', 'max:20', 'regex:/^[^\x00-\x1F\x7F"]+$/u']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.required' => 'Say what it measures, as light or humidity.', 'title.max' => 'A name may have at most 80 letters.',
            'unit.required' => 'Say in which unit, as lx or %.', 'unit.*' => 'A unit is a short text, as lx or mg/L.',
        ];
    }

    public function title(): string
    {
        return $this->string('title')->trim()->toString();
    }

    public function unit(): string
    {
        return $this->string('unit')->trim()->toString();
    }
}
