<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class ExchangeRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'first' => ['required', 'integer', 'between:0,4'],
            'second' => ['required', 'integer', 'between:0,4', 'different:first'],
        ];
    }

    /** @return array{int, int} */
    public function positions(): array
    {
        return [$this->integer('first'), $this->integer('second')];
    }
}
