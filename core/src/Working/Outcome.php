<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;

/** What a method found: its values, what to watch, what to draw, or what is missing and what to do about it. */
final readonly class Outcome
{
    /**
     * @param  array<string, Measured>  $values  by name, the result first
     * @param  array<string, ValueList>  $lists
     * @param  list<Warning>  $warnings
     * @param  string  $formula  in symbols
     * @param  string|null  $needs  what is missing, and what to do; null when there is an answer
     * @param  list<Mark>  $marks  what a figure shows of it
     * @param  Explanation|null  $explanation  the formula as mathematics
     * @param  string|null  $method  in words, how this result was found; null: as the declaration says
     * @param  Goodness|null  $goodness  of a curve through points
     */
    private function __construct(
        public array $values,
        public array $lists,
        public array $warnings,
        public string $formula,
        public ?string $needs,
        public array $marks = [],
        public ?Explanation $explanation = null,
        public ?string $method = null,
        public ?Goodness $goodness = null,
    ) {
    }

    /**
     * @param  non-empty-array<string, Measured>  $values
     * @param  array<string, ValueList>  $lists
     * @param  list<Warning>  $warnings
     * @param  list<Mark>  $marks
     */
    public static function of(
        array $values,
        string $formula,
        array $lists = [],
        array $warnings = [],
        array $marks = [],
        ?Explanation $explanation = null,
        ?string $method = null,
        ?Goodness $goodness = null,
    ): self {
        return new self($values, $lists, $warnings, $formula, null, $marks, $explanation, $method, $goodness);
    }

    /** There is no answer yet, and it is known why. */
    public static function needs(string $what, string $formula, ?Explanation $explanation = null): self
    {
        return new self([], [], [], $formula, $what, explanation: $explanation);
    }

    public function warned(Warning $warning): self
    {
        return new self($this->values, $this->lists, [...$this->warnings, $warning], $this->formula, $this->needs, $this->marks, $this->explanation, $this->method, $this->goodness);
    }

    /** @param  non-empty-array<string, Measured>  $values  in place of its own, with further shares */
    public function withValues(array $values): self
    {
        return new self($values, $this->lists, $this->warnings, $this->formula, $this->needs, $this->marks, $this->explanation, $this->method, $this->goodness);
    }
}
