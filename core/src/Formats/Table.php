<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

use Welkion\Core\Formats\Reading\Symbols;
use Welkion\Core\Formula\Column;
use Welkion\Core\Units\Unit;

/** A table as it was read from a file, with everything that was noticed on the way. */
final readonly class Table
{
    /**
     * @param  list<TableColumn>  $columns
     * @param  list<string>  $notes  how the file was understood, in sentences
     * @param  TableHints  $hints  those that give the same table again
     */
    public function __construct(public int $rowCount, public array $columns, public array $notes, public TableHints $hints = new TableHints)
    {
    }

    /** @return list<Cell> every cell that is neither blank nor readable, column by column */
    public function unreadable(): array
    {
        return array_merge(...array_map(static fn (TableColumn $c): array => $c->unreadable, $this->columns));
    }

    /** @return list<Cell> every blank cell, column by column */
    public function blank(): array
    {
        return array_merge(...array_map(static fn (TableColumn $c): array => $c->blank, $this->columns));
    }

    /**
     * The column of numbers (or dates) with this symbol or name.
     *
     * @throws UnreadableFile If there is none, several have this name, or it holds text.
     */
    public function column(string $wanted): TableColumn
    {
        $found = $this->bySymbol($wanted) ?? $this->byName($wanted);
        if ($found->kind === ColumnKind::Text) {
            throw UnreadableFile::notNumbers($found->name, 'text');
        }

        return $found;
    }

    /**
     * The columns as formulas see them: by symbol, and by their whole name where it is no other column's.
     *
     * @return list<Column>
     */
    public function forFormulas(): array
    {
        $columns = [];
        foreach ($this->columns as $column) {
            if ($column->kind !== ColumnKind::Text) {
                $columns[$column->symbol] = new Column($column->symbol, Unit::ofHeader($column->unit), $column->values);
            }
        }
        $names = array_count_values(array_map(static fn (TableColumn $c): string => $c->name, $this->columns));
        foreach ($this->columns as $column) {
            $name = Symbols::identifier($column->name);
            if ($name !== null && $column->kind !== ColumnKind::Text && $names[$column->name] === 1 && ! isset($columns[$name])) {
                $columns[$name] = new Column($name, Unit::ofHeader($column->unit), $column->values);
            }
        }

        return array_values($columns);
    }

    private function bySymbol(string $wanted): ?TableColumn
    {
        foreach ($this->columns as $column) {
            if ($column->symbol === $wanted) {
                return $column;
            }
        }

        return null;
    }

    private function byName(string $wanted): TableColumn
    {
        $found = array_values(array_filter($this->columns, static fn (TableColumn $c): bool => $c->name === $wanted))
            ?: array_values(array_filter($this->columns, static fn (TableColumn $c): bool => strcasecmp($c->name, $wanted) === 0
                || strcasecmp((string) Symbols::identifier($c->name), $wanted) === 0 || ($c->unit !== '' && $wanted === "{$c->name} ({$c->unit})")));

        return match (count($found)) {
            1 => $found[0],
            0 => throw UnreadableFile::noColumn($wanted, implode(', ', array_map(
                static fn (TableColumn $c): string => $c->name === $c->symbol ? $c->name : "{$c->name} ({$c->symbol})", $this->columns))),
            default => throw UnreadableFile::severalColumns($wanted, implode(', ', array_map(static fn (TableColumn $c): string => $c->symbol, $found))),
        };
    }
}
