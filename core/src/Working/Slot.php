<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** One thing a method asks for. */
final readonly class Slot
{
    /**
     * @param  string  $words  how it is asked for
     * @param  string|null  $unitOf  the column whose unit a number is in when none is told; null: a plain number
     * @param  list<string>  $choices  of a text; empty: any
     */
    private function __construct(
        public string $name,
        public SlotKind $kind,
        public string $words,
        public bool $isRequired,
        public ?string $unitOf = null,
        public array $choices = [],
        public ?string $default = null,
    ) {
    }

    public static function column(string $name, string $words): self
    {
        return new self($name, SlotKind::Column, $words, true);
    }

    /** @param  string|null  $unitOf  the column whose unit it is in when none is told */
    public static function number(string $name, string $words, ?string $unitOf = null): self
    {
        return new self($name, SlotKind::Number, $words, true, $unitOf);
    }

    /** @param  list<string>  $choices  empty: any text */
    public static function text(string $name, string $words, array $choices = [], ?string $default = null): self
    {
        return new self($name, SlotKind::Text, $words, $default === null, choices: $choices, default: $default);
    }

    /** One that may be left out. */
    public static function maybe(string $name, string $words): self
    {
        return new self($name, SlotKind::Text, $words, false);
    }

    public static function values(string $words): self
    {
        return new self('values', SlotKind::Values, $words, false);
    }
}
