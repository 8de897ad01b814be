<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** What the names of a formula stand for: columns and entries, and behind them the constants of nature. */
final readonly class Scope
{
    /**
     * @param  array<string, Column>  $columns
     * @param  array<string, Measured>  $entries
     */
    private function __construct(public array $columns, public array $entries)
    {
    }

    /**
     * @param  list<Column>  $columns  all of one length
     * @param  array<string, Measured>  $entries  by symbol
     *
     * @throws UnequalLengths If columns differ in length.
     */
    public static function of(array $columns, array $entries = []): self
    {
        $bySymbol = [];
        foreach ($columns as $column) {
            if (count($column->values) !== count($columns[0]->values)) {
                throw UnequalLengths::between(count($columns[0]->values), count($column->values));
            }
            $bySymbol[$column->symbol] = $column;
        }

        return new self($bySymbol, $entries);
    }

    /** Rows of the table; 0 without columns. */
    public function rowCount(): int
    {
        foreach ($this->columns as $column) {
            return count($column->values);
        }

        return 0;
    }

    /** The unit of a name; null if it is neither a column nor an entry nor a constant. */
    public function unitOf(string $name): ?Unit
    {
        return ($this->columns[$name] ?? $this->entries[$name] ?? null)->unit ?? PhysicalConstants::find($name)[1] ?? null;
    }

    /**
     * @return float|list<float>|null in the unit of unitOf(); null if there is nothing of this name
     */
    public function valueOf(string $name): float|array|null
    {
        return ($this->columns[$name] ?? null)->values ?? ($this->entries[$name] ?? null)->value ?? PhysicalConstants::find($name)[0] ?? null;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), [...array_keys($this->columns), ...array_keys($this->entries), ...PhysicalConstants::names()]);
    }
}
