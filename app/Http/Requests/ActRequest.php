<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What hands do at a simulated bench: the bench itself knows what it can do and says so when it cannot. */
final class ActRequest extends FormRequest
{
    private const MOST_DETAILS = 6;

    /** No hand turns anything by more, in whatever unit. */
    private const LARGEST = 1e6;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'act' => ['required', 'string', 'max:40'],
            '*' => [static function (string $field, mixed $value, \Closure $fail): void {
                $isFinite = ! is_float($value) || (is_finite($value) && abs($value) <= self::LARGEST);
                if (! is_scalar($value) || ! $isFinite || (is_string($value) && mb_strlen($value) > 60)) {
                    $fail('"'.mb_strcut($field, 0, 40).'" must be a number, a short text, or yes or no.');
                }
            }],
        ];
    }

    /** @return array<string, mixed> */
    public function details(): array
    {
        /** @var array<string, mixed> $details */
        $details = $this->json()->all();

        return array_slice($details, 0, self::MOST_DETAILS);
    }
}
