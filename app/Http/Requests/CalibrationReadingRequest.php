<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class CalibrationReadingRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['position' => ['required', 'integer', 'between:0,4'], 'takeAnyway' => ['boolean']];
    }
}
