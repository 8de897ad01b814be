<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Rising;

/**
 * The columns a line works with: the rows of its runs that count, or one row a run.
 *
 * @internal used by LineWork
 */
final class RowsForLine
{
    /** @var array<string, array<string, ColumnInput>> by symbol, of a run, its columns and a span: several methods are asked of one span */
    private array $chosen = [];

    public function __construct(private readonly WorkedNotebook $worked)
    {
    }

    /**
     * @param  array<string, string>  $uses  symbol by slot
     * @param  bool  $cuts  whether only rows inside the line's span are given
     * @return array<string, ColumnInput>|string by slot; or what is missing
     */
    public function columns(Line $line, ?int $run, array $uses, bool $cuts): array|string
    {
        $notebook = $this->worked->notebook;
        $ofRuns = array_filter($uses, static fn (string $s): bool => ! isset($notebook->columns[$s]));
        foreach ($ofRuns as $symbol) {
            if ($run !== null || ! $notebook->isPerRun($symbol)) {
                throw new InvalidQuantity(isset($notebook->entries[$symbol]) || isset($notebook->lines[Symbols::base($symbol)])
                    ? "\"{$symbol}\" is one value and no column." : "There is no column \"{$symbol}\" (any more). Choose another.");
            }
        }
        if ($ofRuns !== [] && count($ofRuns) < count($uses)) {
            throw new InvalidQuantity('A column of the rows and a column of the runs cannot be used together.');
        }
        $runs = $run === null ? array_keys($notebook->runs) : [$run];
        $runs = array_values(array_filter($runs, static fn (int $r): bool => isset($notebook->runs[$r])));
        if ($runs === []) {
            return 'Record a run first.';
        }

        return $ofRuns !== [] ? $this->ofRuns($uses, $runs) : $this->pooled($uses, $runs, $cuts ? $line->span : null);
    }

    /**
     * @param  array<string, string>  $uses
     * @param  list<int>  $runs
     * @return array<string, ColumnInput>|string
     */
    private function pooled(array $uses, array $runs, ?Span $span): array|string
    {
        $parts = [];
        foreach ($runs as $run) {
            $cells = $this->ofRun(array_values($uses), $run, $span?->in($this->worked->notebook->runs[$run]));
            if (is_string($cells)) {
                return $cells;
            }
            $parts[] = array_map(static fn (string $symbol): ColumnInput => $cells[$symbol], $uses);
        }

        $joined = array_shift($parts) ?? [];
        foreach ($parts as $part) {
            foreach ($part as $slot => $column) {
                $joined[$slot] = self::joined($joined[$slot], $column);
            }
        }

        return $joined;
    }

    /**
     * @param  list<string>  $symbols
     * @return array<string, ColumnInput>|string by symbol; or what is missing
     */
    private function ofRun(array $symbols, int $run, ?Span $span): array|string
    {
        $key = serialize([$symbols, $run, $span]);
        if (isset($this->chosen[$key])) {
            return $this->chosen[$key];
        }
        $cells = [];
        $isWhole = true;
        foreach ($symbols as $symbol) {
            $worked = $this->worked->column($symbol, $run);
            if ($worked->cells === null) {
                return (string) $worked->problem;
            }
            $cells[$symbol] = $worked->cells;
            $isWhole = $isWhole && $worked->isWhole();
        }

        return $this->chosen[$key] = $this->thatCount($run, $cells, $span, $isWhole);
    }

    /**
     * @param  array<string, ColumnInput>  $cells  by symbol
     * @param  bool  $isWhole  whether each of them is a number
     * @return array<string, ColumnInput> by symbol: within the span, without what was set aside and what is no number
     */
    private function thatCount(int $run, array $cells, ?Span $span, bool $isWhole): array
    {
        $data = $this->worked->data($run);
        $along = $span === null || ! isset($this->worked->notebook->columns[$span->column]) ? null : $this->worked->column($span->column, $run)->cells;
        if ($isWhole && ($span === null || $along === null || $along->isRising())) {
            [$first, $count] = $span === null || $along === null ? [0, $data->rowCount] : Rising::within($along->values, $span->from, $span->to);
            $aside = array_reduce(array_intersect_key($data->asideOf, $cells), static fn (array $all, array $of): array => $all + $of, $data->aside);

            return array_map(static fn (ColumnInput $c): ColumnInput => $c->stretch($first, $count, array_keys($aside)), $cells);
        }
        $rows = [];
        for ($row = 0; $row < $data->rowCount; $row++) {
            $isIn = ! isset($data->aside[$row]) && ($span === null || $along === null || ($along->values[$row] >= $span->from && $along->values[$row] <= $span->to));
            foreach ($cells as $symbol => $column) {
                $isIn = $isIn && is_finite($column->values[$row]) && ! isset($data->asideOf[$symbol][$row]);
            }
            if ($isIn) {
                $rows[] = $row;
            }
        }

        return array_map(static fn (ColumnInput $c): ColumnInput => $c->only($rows), $cells);
    }

    /**
     * @param  array<string, string>  $uses
     * @param  list<int>  $runs
     * @return array<string, ColumnInput> one row for each run that counts and has all values
     */
    private function ofRuns(array $uses, array $runs): array
    {
        $table = new RunsTable($this->worked);
        $rows = [];
        foreach ($runs as $run) {
            if ($this->worked->notebook->runs[$run]->aside !== null) {
                continue;
            }
            $values = array_filter(array_map(static fn (string $symbol): ?Measured => $table->value($symbol, $run), $uses), static fn (?Measured $m): bool => $m !== null);
            if (count($values) === count($uses)) {
                $rows[] = $values;
            }
        }
        $columns = [];
        foreach ($uses as $slot => $symbol) {
            $unit = isset($rows[0]) ? $rows[0][$slot]->unit : Unit::one();
            $columns[$slot] = self::ofValues($symbol, $unit, array_map(static fn (array $r): Measured => $r[$slot]->in($unit), $rows));
        }

        return $columns;
    }

    /** @param  list<Measured>  $values  in the same unit */
    private static function ofValues(string $name, Unit $unit, array $values): ColumnInput
    {
        $shares = [];
        $sources = [];
        foreach ($values as $row => $value) {
            foreach ($value->shares->amounts() as [$source, $amount]) {
                $sources[$source->identity()] = $source;
                $shares[$source->identity()][$row] = $amount;
            }
        }
        $scatter = array_fill(0, count($values), 0.0);
        $common = [];
        foreach ($shares as $identity => $of) {
            if (count($of) === 1) {
                // Of one run alone: it scatters as any other.
                $row = array_key_first($of);
                $scatter[$row] = hypot($scatter[$row], $of[$row]);
            } else {
                $common[] = [$sources[$identity], array_map(static fn (int $row): float => $of[$row] ?? 0.0, array_keys($values))];
            }
        }

        return new ColumnInput($name, $unit, array_map(static fn (Measured $v): float => $v->value, $values), array_values($scatter), $common);
    }

    /** The cells of a column in two runs, one after the other; in the same unit. */
    private static function joined(ColumnInput $a, ColumnInput $b): ColumnInput
    {
        /** @var array<string, Source> $sources */
        $sources = [];
        foreach ([...$a->common, ...$b->common] as [$source]) {
            $sources[$source->identity()] = $source;
        }
        $none = static fn (ColumnInput $c): array => array_fill(0, count($c->values), 0.0);

        return new ColumnInput(
            $a->name, $a->unit, [...$a->values, ...$b->values],
            $a->scatter === null && $b->scatter === null ? null : [...$a->scatter ?? $none($a), ...$b->scatter ?? $none($b)],
            array_map(static fn (Source $s): array => [$s, [...$a->sharesOf($s) ?? $none($a), ...$b->sharesOf($s) ?? $none($b)]], array_values($sources)),
        );
    }
}
