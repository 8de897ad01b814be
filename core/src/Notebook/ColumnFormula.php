<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Formula\Column as FormulaColumn;
use Welkion\Core\Formula\DerivedColumn;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Formula\Scope;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Working\ColumnInput;

/**
 * The cells a formula gives for a run, with what moves all of them together and what each scatters by itself.
 *
 * First-order propagation: scatter by the derivatives of the formula, common sources by moving each by its standard
 * uncertainty (JCGM 100:2008, 5.1.2 and 5.1.4, note 2).
 *
 * @internal used by ColumnWork
 */
final readonly class ColumnFormula
{
    public function __construct(private Formula $formula, private int $rowCount)
    {
    }

    /**
     * @param  array<string, ColumnInput>  $columns  by symbol
     * @param  array<string, Measured>  $values  of entries and lines, by symbol
     */
    public function worked(Column $column, array $columns, array $values): WorkedColumn
    {
        $into = $column->unit;
        $derived = $this->derived($this->formula, $columns, $values, $column);
        $common = [];
        foreach (self::sources($columns, $values) as $source) {
            $moved = $this->derived($this->formula, array_map(static fn (ColumnInput $c): ColumnInput => $c->movedBy($source), $columns),
                array_map(static fn (Measured $m): Measured => self::movedValue($m, $source), $values), $column);
            $common[] = [$source, array_map(static fn (float $b, float $a): float => is_finite($b - $a) ? $b - $a : 0.0, $moved->values, $derived->values)];
        }
        $cells = new ColumnInput($column->symbol, $into, $derived->values, $this->scatter($columns, $values, $derived), $common);

        return WorkedColumn::of($cells, $derived->notes);
    }

    /**
     * @param  array<string, ColumnInput>  $columns
     * @param  array<string, Measured>  $values
     */
    private function derived(Formula $formula, array $columns, array $values, ?Column $into): DerivedColumn
    {
        // A formula of values alone has the same value in each row.
        $rows = new FormulaColumn(' ', \Welkion\Core\Units\Unit::one(), array_fill(0, $this->rowCount, 0.0));
        $scope = Scope::of([$rows, ...array_map(static fn (string $s, ColumnInput $c): FormulaColumn => new FormulaColumn($s, $c->unit, $c->values), array_map(strval(...), array_keys($columns)), array_values($columns))], $values);

        return $formula->derive($scope, $into?->unit);
    }

    /**
     * @param  array<string, ColumnInput>  $columns
     * @param  array<string, Measured>  $values
     * @return list<float>|null null where rows rest on their neighbours, or nothing is known of the scatter
     */
    private function scatter(array $columns, array $values, DerivedColumn $derived): ?array
    {
        $sum = array_fill(0, $this->rowCount, 0.0);
        $isKnown = false;
        foreach ($columns as $symbol => $column) {
            if ($column->scatter === null) {
                continue;
            }
            $isKnown = true;
            try {
                $slopes = $this->slopes((string) $symbol, $columns, $values, $derived);
            } catch (FormulaError) {
                return null;
            }
            foreach ($slopes as $row => $slope) {
                $sum[$row] = is_finite($slope) ? hypot($sum[$row], $slope * $column->scatter[$row]) : $sum[$row];
            }
        }

        return $isKnown ? array_values($sum) : null;
    }

    /**
     * How far each row of the result goes with one column, result unit per unit of the column.
     *
     * @param  array<string, ColumnInput>  $columns
     * @param  array<string, Measured>  $values
     * @return list<float>
     */
    private function slopes(string $symbol, array $columns, array $values, DerivedColumn $derived): array
    {
        return $this->formula->slopeOf($symbol, Scope::of(array_map(
            static fn (string $s, ColumnInput $c): FormulaColumn => new FormulaColumn($s, $c->unit, $c->values), array_map(strval(...), array_keys($columns)), array_values($columns),
        ), $values), $derived->unit, $this->rowCount);
    }

    /**
     * @param  array<string, ColumnInput>  $columns
     * @param  array<string, Measured>  $values
     * @return array<string, Source>
     */
    private static function sources(array $columns, array $values): array
    {
        $sources = [];
        foreach ($columns as $column) {
            foreach ($column->common as [$source]) {
                $sources[$source->identity()] = $source;
            }
        }
        foreach ($values as $value) {
            foreach ($value->shares->amounts() as [$source]) {
                $sources[$source->identity()] = $source;
            }
        }

        return $sources;
    }

    private static function movedValue(Measured $value, Source $source): Measured
    {
        foreach ($value->shares->amounts() as [$own, $amount]) {
            if ($own->identity() === $source->identity()) {
                return Measured::of($value->value + $amount, 0.0, $value->unit);
            }
        }

        return $value;
    }
}
