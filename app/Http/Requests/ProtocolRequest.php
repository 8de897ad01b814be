<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Notebook\ProtocolLibrary;
use Illuminate\Foundation\Http\FormRequest;

/** A protocol as a file, in text. */
final class ProtocolRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['file' => ['required', 'string', 'max:'.ProtocolLibrary::LARGEST_BYTES]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['file.required' => 'Choose a protocol file.', 'file.max' => 'A protocol file has at most '.(int) (ProtocolLibrary::LARGEST_BYTES / 1000).' kB; this one is larger.'];
    }
}
