<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What people type into the field of an entry. */
final class TypedRequest extends FormRequest
{
    use NamesARun;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'typed' => ['sometimes', 'nullable', 'string', 'max:60'],
            'uncertainty' => ['sometimes', 'nullable', 'string', 'max:60'],
            'text' => ['sometimes', 'nullable', 'string', 'max:200'],
            'runId' => ['sometimes', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
        ];
    }

    /** @return array{typed?: string|null, uncertainty?: string|null, text?: string|null} */
    public function typed(): array
    {
        $typed = [];
        foreach (['typed', 'uncertainty', 'text'] as $name) {
            if ($this->has($name)) {
                $typed[$name] = $this->string($name)->trim()->toString();
            }
        }

        return $typed;
    }
}
