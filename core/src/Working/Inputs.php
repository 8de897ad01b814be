<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Exception\MissingInput;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;

/** What a method is given, by the names of its slots. */
final readonly class Inputs
{
    /**
     * @param  array<string, ColumnInput>  $columns  all with the same number of rows
     * @param  array<string, Measured>  $numbers
     * @param  array<string, string>  $texts
     * @param  array<string, array{float, float}>  $spans  from and to, in the unit of the column x
     * @param  string  $key  what names the sources that arise here; empty: nothing else will ever know them
     */
    public function __construct(
        private array $columns = [],
        private array $numbers = [],
        private array $texts = [],
        private array $spans = [],
        private string $key = '',
    ) {
    }

    /** @throws MissingInput */
    public function column(string $slot): ColumnInput
    {
        return $this->columns[$slot] ?? throw MissingInput::slot($slot);
    }

    /** @return array<string, ColumnInput> */
    public function columns(): array
    {
        return $this->columns;
    }

    /** @param  array<string, ColumnInput>  $columns  in place of those that were given */
    public function withColumns(array $columns): self
    {
        return new self($columns, $this->numbers, $this->texts, $this->spans, $this->key);
    }

    /** @throws MissingInput */
    public function number(string $slot): Measured
    {
        return $this->numbers[$slot] ?? throw MissingInput::slot($slot);
    }

    public function maybeNumber(string $slot): ?Measured
    {
        return $this->numbers[$slot] ?? null;
    }

    /** @return array<string, Measured> */
    public function numbers(): array
    {
        return $this->numbers;
    }

    public function text(string $slot): ?string
    {
        return $this->texts[$slot] ?? null;
    }

    /** @return array{float, float}|null */
    public function span(string $slot): ?array
    {
        return $this->spans[$slot] ?? null;
    }

    /** A source of uncertainty that arises here, as the scatter of what is worked with. */
    public function source(string $words): Source
    {
        return $this->key === '' ? Source::unnamed($words) : Source::named("{$this->key} {$words}", $words);
    }
}
