<?php

declare(strict_types=1);

namespace App\Http\Rules;

use Illuminate\Contracts\Validation\ValidationRule;
use Welkion\Core\Uncertainty\Digits;

/** A typed number, finite and between bounds that its quantity can have; the message says which. */
final readonly class Within implements ValidationRule
{
    private function __construct(private string $what, private float $least, private float $most, private string $unit, private string $hint)
    {
    }

    /**
     * @param  string  $what  the quantity, as it begins a sentence
     * @param  string  $hint  goes on after the bounds
     */
    public static function of(string $what, float $least, float $most, string $unit = '', string $hint = ''): self
    {
        return new self($what, $least, $most, $unit, $hint);
    }

    /** Whether a value is such a number; texts of digits count, as forms send them. */
    public function holds(mixed $value): bool
    {
        $isNumber = is_int($value) || is_float($value) || (is_string($value) && is_numeric($value));

        return $isNumber && is_finite((float) $value) && (float) $value >= $this->least && (float) $value <= $this->most;
    }

    public function sentence(): string
    {
        $unit = $this->unit === '' ? '' : " {$this->unit}";

        return "{$this->what} must be a number from ".Digits::round($this->least).' to '.Digits::round($this->most)."{$unit}{$this->hint}.";
    }

    public function validate(string $attribute, mixed $value, \Closure $fail): void
    {
        if (! $this->holds($value)) {
            // Fields of a list are told by their number, as people count.
            $number = preg_match('/\.(\d+)\./', $attribute, $match) === 1 ? (int) $match[1] + 1 : 1;
            $fail(str_replace('{number}', (string) $number, $this->sentence()));
        }
    }
}
