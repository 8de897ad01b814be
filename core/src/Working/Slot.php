<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** One thing a method asks for. */
final readonly class Slot
{
    /**
     * @param  string  $words  how it is asked for
     * @param  string|null  $unitOf  the column whose unit a number is in when none is told; null: see $unit
     * @param  list<string>  $choices  of a text; empty: any
     * @param  string  $unit  of a number; empty: a plain one. Of a column: what it must measure, told by any unit of it; empty: anything
     */
    private function __construct(
        public string $name,
        public SlotKind $kind,
        public string $words,
        public bool $isRequired,
        public ?string $unitOf = null,
        public array $choices = [],
        public ?string $default = null,
        public string $unit = '',
    ) {
    }

    /** @param  string  $measures  any unit of what the column must measure; empty: anything */
    public static function column(string $name, string $words, string $measures = ''): self
    {
        return new self($name, SlotKind::Column, $words, true, unit: $measures);
    }

    /** @param  string|null  $unitOf  the column whose unit it is in when none is told */
    public static function number(string $name, string $words, ?string $unitOf = null): self
    {
        return new self($name, SlotKind::Number, $words, true, $unitOf);
    }

    /** A number that may be left out. */
    public static function maybeNumber(string $name, string $words, ?string $unitOf = null, string $unit = ''): self
    {
        return new self($name, SlotKind::Number, $words, false, $unitOf, unit: $unit);
    }

    public static function result(string $name, string $words): self
    {
        return new self($name, SlotKind::Result, $words, true);
    }

    public static function run(string $name, string $words): self
    {
        return new self($name, SlotKind::Run, $words, true);
    }

    /** @param  list<string>  $choices  empty: any text */
    public static function text(string $name, string $words, array $choices = [], ?string $default = null): self
    {
        return new self($name, SlotKind::Text, $words, $default === null, choices: $choices, default: $default);
    }

    /** A text that may be left out. */
    public static function maybe(string $name, string $words): self
    {
        return new self($name, SlotKind::Text, $words, false);
    }

    /** A stretch of a column the method looks at itself; may be left out. */
    public static function span(string $name, string $words): self
    {
        return new self($name, SlotKind::Span, $words, false);
    }

    public static function values(string $words): self
    {
        return new self('values', SlotKind::Values, $words, false);
    }
}
