<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formula\Column as FormulaColumn;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Formula\Look;
use Welkion\Core\Formula\PhysicalConstants;
use Welkion\Core\Formula\Scope;
use Welkion\Core\Formula\Typeset;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Mathematics;

/** What can be said of the formula of a column while it is typed, before it works anything out. */
final readonly class FormulaCheck
{
    /**
     * @param  string|null  $problem  why it cannot be; null if it can
     * @param  int|null  $position  character the problem is at, from 1
     * @param  string|null  $inKelvin  a symbol that would do if it were in kelvin
     * @param  Mathematics|null  $reads  as it is printed; null while it is no formula
     * @param  Unit|null  $unit  that comes out by itself
     * @param  list<string>  $notes  what was converted on the way
     */
    private function __construct(
        public ?string $problem,
        public ?int $position,
        public ?string $inKelvin,
        public ?Mathematics $reads,
        public ?Unit $unit,
        public array $notes,
    ) {
    }

    /**
     * @param  Unit|null  $into  unit the column is to have; null: what comes out
     * @param  string|null  $of  symbol of the column it is for, which it must not use in the end
     */
    public static function of(WorkedNotebook $worked, string $text, ?Unit $into, ?string $of = null): self
    {
        $reads = null;
        $unit = null;
        try {
            $formula = Formula::parse($text);
            $reads = Typeset::formula($formula);
            $formula->requireKnown($worked->notebook->symbolsLike($formula->symbols()));
            $round = self::roundTo($worked, $formula, $of);
            if ($round !== null) {
                return new self($round === $of ? "{$of} cannot be worked out from itself." : "{$round} uses {$of}, so {$of} cannot use it.", null, null, $reads, null, []);
            }
            [$scope, $waits] = self::scope($worked, $formula);
            if ($waits !== null) {
                return new self(null, null, null, $reads, null, ["{$waits} has no value yet, so its unit is not known."]);
            }
            $derived = $formula->derive($scope);
            $unit = $derived->unit;
            $ranges = array_map(static fn (string $of): string => "The largest less the smallest {$of} need not be its end less its start; if a change is meant, use the line “Start, end and change”.", Look::ranges($formula));

            if ($into === null || $into->symbol === $unit->symbol) {
                return new self(null, null, null, $reads, $unit, [...$derived->notes, ...$ranges]);
            }
            $notes = $formula->derive($scope, $into)->notes;

            return new self(null, null, null, $reads, $unit, [...$notes, ...$ranges, "It comes out in {$unit->symbol}, and is converted into {$into->symbol}."]);
        } catch (FormulaError $error) {
            return new self($error->getMessage(), $error->position, $error->inKelvin, $reads, null, []);
        } catch (CoreException|\ArithmeticError $error) {
            return new self($error->getMessage(), null, null, $reads, $unit, []);
        }
    }

    /** @return string|null what the formula uses that uses the column itself, perhaps by others */
    private static function roundTo(WorkedNotebook $worked, Formula $formula, ?string $of): ?string
    {
        $resting = $of === null ? [] : [$of, ...$worked->graph->restingOn($of)];
        foreach ($resting === [] ? [] : $formula->symbols() as $symbol) {
            if (in_array(Symbols::base($symbol), $resting, true)) {
                return $symbol;
            }
        }

        return null;
    }

    /** @return array{Scope, string|null} columns without rows and values; and what has none yet */
    private static function scope(WorkedNotebook $worked, Formula $formula): array
    {
        $columns = [new FormulaColumn(' ', Unit::one(), [])];
        $values = [];
        foreach ($formula->symbols() as $symbol) {
            $column = $worked->notebook->columns[$symbol] ?? null;
            if ($column !== null) {
                $columns[] = new FormulaColumn($symbol, $column->unit, []);

                continue;
            }
            if (PhysicalConstants::find($symbol) !== null && ! isset($worked->notebook->entries[$symbol]) && ! isset($worked->notebook->lines[Symbols::base($symbol)])) {
                continue;
            }
            $entry = $worked->notebook->entries[$symbol] ?? null;
            $value = $entry === null ? self::valueOf($worked, $symbol) : Measured::of(1.0, 0.0, $entry->unit);
            if ($value === null) {
                return [Scope::of($columns), $symbol];
            }
            $values[$symbol] = $value;
        }

        return [Scope::of($columns, $values), null];
    }

    /** Of a line, or a part of one; in any run. */
    private static function valueOf(WorkedNotebook $worked, string $symbol): ?Measured
    {
        foreach ([null, ...array_keys($worked->notebook->runs)] as $run) {
            $value = $run === null && $worked->notebook->isPerRun($symbol) ? null : Value::of($worked, $symbol, $run)?->measured;
            if ($value !== null) {
                return $value;
            }
        }

        return null;
    }
}
