<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Rows of a typed run: how many to put in and where, or which to delete or to move. They are told by their numbers. */
final class RowsRequest extends FormRequest
{
    private const MOST_AT_ONCE = 1000;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        $number = ['integer:strict', 'between:1,'.PHP_INT_MAX];

        return match ($this->method()) {
            'POST' => ['count' => ['required', 'integer:strict', 'between:1,'.self::MOST_AT_ONCE], 'before' => ['present', 'nullable', ...$number]],
            'PATCH' => ['from' => ['required', ...$number], 'to' => ['required', ...$number], 'before' => ['present', 'nullable', ...$number]],
            default => ['from' => ['required', ...$number], 'to' => ['required', ...$number]],
        };
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'count.*' => 'Say how many rows to put in, at most '.self::MOST_AT_ONCE.'.', 'before.*' => 'Say which row they are put before.',
            'from.*' => 'Say which is the first of the rows.', 'to.*' => 'Say which is the last of the rows.',
        ];
    }

    public function before(): ?int
    {
        return $this->filled('before') ? $this->integer('before') : null;
    }
}
