<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;

/** What a method found: its values, what to watch, or what is missing and what to do about it. */
final readonly class Outcome
{
    /**
     * @param  array<string, Measured>  $values  by name, the result first
     * @param  array<string, ValueList>  $lists
     * @param  list<Warning>  $warnings
     * @param  string  $formula  in symbols
     * @param  string|null  $needs  what is missing, and what to do; null when there is an answer
     */
    private function __construct(
        public array $values,
        public array $lists,
        public array $warnings,
        public string $formula,
        public ?string $needs,
    ) {
    }

    /**
     * @param  non-empty-array<string, Measured>  $values
     * @param  array<string, ValueList>  $lists
     * @param  list<Warning>  $warnings
     */
    public static function of(array $values, string $formula, array $lists = [], array $warnings = []): self
    {
        return new self($values, $lists, $warnings, $formula, null);
    }

    /** There is no answer yet, and it is known why. */
    public static function needs(string $what, string $formula): self
    {
        return new self([], [], [], $formula, $what);
    }
}
