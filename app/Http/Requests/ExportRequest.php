<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Formats\DecimalMark;

final class ExportRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['decimal' => [Rule::enum(DecimalMark::class)]];
    }

    public function decimalMark(): DecimalMark
    {
        return DecimalMark::tryFrom($this->string('decimal')->toString()) ?? DecimalMark::Point;
    }
}
