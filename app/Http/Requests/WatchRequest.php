<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** The code of a board, as it was typed. */
final class WatchRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['code' => ['required', 'string', 'max:40']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['code.*' => 'Type the code that stands on the board: two words and a number, as PLUM-FERN-472.'];
    }

    public function code(): string
    {
        return $this->string('code')->toString();
    }
}
