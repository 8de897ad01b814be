<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class SearchRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['search' => ['sometimes', 'nullable', 'string', 'max:120'], 'thrownAway' => ['sometimes', 'boolean']];
    }

    public function sought(): string
    {
        return $this->string('search')->trim()->toString();
    }
}
