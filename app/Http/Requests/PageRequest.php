<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** From which place on rows are wanted, and how many: what a screen shows, and some beside. */
final class PageRequest extends FormRequest
{
    private const MOST = 1000;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['from' => ['required', 'integer', 'between:0,'.PHP_INT_MAX], 'count' => ['required', 'integer', 'between:1,'.self::MOST]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['from.*' => 'Say from which row on, counted from 0.', 'count.*' => 'Say how many rows, at most '.self::MOST.'.'];
    }
}
