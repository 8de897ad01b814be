<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What somebody thinks the result of a line is. */
final class GuessRequest extends FormRequest
{
    use NamesARun;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'typed' => ['present', 'nullable', 'string', 'max:60'],
            'runId' => ['sometimes', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
        ];
    }

    public function typed(): string
    {
        return $this->string('typed')->trim()->toString();
    }
}
