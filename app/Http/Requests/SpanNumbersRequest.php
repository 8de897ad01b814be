<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Of which column numbers are asked, along which other one, and from where to where. */
final class SpanNumbersRequest extends FormRequest
{
    use ChoosesColumns;

    private const FROM = 'Say where the span begins.';

    private const TO = 'Say where the span ends.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $symbol = ['required', 'string', 'max:20'];
        $end = ['required', 'numeric', static function (string $of, mixed $value, \Closure $fail): void {
            is_numeric($value) && is_finite((float) $value) || $fail($of === 'from' ? self::FROM : self::TO);
        }];

        return ['x' => $symbol, 'y' => $symbol, 'from' => $end, 'to' => $end];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['x.*' => 'Say along which column the span lies.', 'y.*' => 'Say of which column numbers are asked.', 'from.*' => self::FROM, 'to.*' => self::TO];
    }
}
