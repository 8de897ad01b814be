<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\ColumnInput;

/**
 * Works out the cells of one column in one run.
 *
 * @internal used by WorkedNotebook
 */
final readonly class ColumnWork
{
    public function __construct(private WorkedNotebook $worked)
    {
    }

    public function of(Column $column, int $run): WorkedColumn
    {
        $circle = $this->worked->graph->circles[$column->symbol] ?? null;
        if ($circle !== null) {
            return WorkedColumn::problem("This column uses itself: {$circle}. Take one of them out of the formula.");
        }
        try {
            return $column->kind === ColumnKind::Derived ? $this->derived($column, $run) : $this->recorded($column, $run);
        } catch (FormulaError $error) {
            return WorkedColumn::problem($error->getMessage(), $error->position);
        } catch (CoreException|\ArithmeticError $error) {
            return WorkedColumn::problem($error->getMessage());
        }
    }

    private function recorded(Column $column, int $run): WorkedColumn
    {
        $cells = $this->worked->data($run)->column($column->symbol);
        if ($cells === null) {
            return WorkedColumn::problem("Run {$this->worked->notebook->runs[$run]->number} has no {$column->symbol}: it was recorded without it.");
        }

        return WorkedColumn::of(self::inUnit($cells, $column));
    }

    private function derived(Column $column, int $run): WorkedColumn
    {
        $formula = Formula::parse($column->formula);
        $formula->requireKnown($this->worked->notebook->symbolsLike($formula->symbols()));
        $columns = [];
        $values = [];
        foreach ($formula->symbols() as $symbol) {
            if (isset($this->worked->notebook->columns[$symbol])) {
                $used = $this->worked->column($symbol, $run);
                $columns[$symbol] = $used->cells ?? throw new InvalidQuantity("Waits for {$symbol}: {$used->problem}");
            } else {
                $values[$symbol] = Value::of($this->worked, $symbol, $run);
            }
        }
        $values = array_filter($values);
        $missing = Value::missing($this->worked->notebook, ...array_values($values));
        if ($missing !== null) {
            return WorkedColumn::problem($missing);
        }
        $measured = array_filter(array_map(static fn (Value $v): ?Measured => $v->measured, $values));

        $data = $this->worked->data($run);
        if ($formula->looksAtSeveralRows()) {
            // What is set aside is out of every calculation that rests on more than its own row.
            $columns = array_map(static fn (ColumnInput $c): ColumnInput => self::withoutAside($c, $data), $columns);
        }

        return (new ColumnFormula($formula, $data->rowCount))->worked($column, $columns, $measured);
    }

    private static function withoutAside(ColumnInput $cells, RunData $data): ColumnInput
    {
        $aside = $data->aside + ($data->asideOf[$cells->name] ?? []);
        $values = [];
        foreach ($cells->values as $row => $value) {
            $values[] = isset($aside[$row]) ? NAN : $value;
        }

        return new ColumnInput($cells->name, $cells->unit, $values, $cells->scatter, $cells->common);
    }

    private static function inUnit(ColumnInput $cells, Column $column): ColumnInput
    {
        if ($cells->unit->symbol === $column->unit->symbol) {
            return new ColumnInput($column->symbol, $column->unit, $cells->values, $cells->scatter, $cells->common);
        }
        $convert = static fn (float $v): float => $cells->unit->convert($v, $column->unit);
        $scaled = static fn (float $v): float => $cells->unit->convertDifference($v, $column->unit);

        return new ColumnInput($column->symbol, $column->unit, array_map($convert, $cells->values),
            $cells->scatter === null ? null : array_map($scaled, $cells->scatter),
            array_map(static fn (array $share): array => [$share[0], array_map($scaled, $share[1])], $cells->common));
    }
}
