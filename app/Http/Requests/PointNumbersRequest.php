<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Of which column numbers are asked, along which other one, and where. */
final class PointNumbersRequest extends FormRequest
{
    use ChoosesColumns;

    private const AT = 'Say where, as a number.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $symbol = ['required', 'string', 'max:20'];
        $number = ['numeric', static function (string $of, mixed $value, \Closure $fail): void {
            is_numeric($value) && is_finite((float) $value) || $fail(self::AT);
        }];

        return ['x' => $symbol, 'y' => $symbol, 'at' => ['required', ...$number], 'from' => ['sometimes', ...$number], 'height' => ['sometimes', ...$number]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['x.*' => 'Say along which column it lies.', 'y.*' => 'Say of which column numbers are asked.', 'at.*' => self::AT, 'from.*' => self::AT, 'height.*' => self::AT];
    }

    /** Where a change is told from. */
    public function from(): ?float
    {
        return $this->has('from') ? $this->float('from') : null;
    }

    /** What y is where x is asked for. */
    public function height(): ?float
    {
        return $this->has('height') ? $this->float('height') : null;
    }
}
