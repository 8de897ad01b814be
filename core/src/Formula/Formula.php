<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Formula\Node\Name;
use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Units\Unit;

/** A formula in the symbols of columns, entries and constants: read once, used on any table. */
final readonly class Formula
{
    private function __construct(public string $text, public Node $tree)
    {
    }

    /**
     * Reads ordinary mathematics: + - * / ^, brackets, functions, numbers with a unit in square brackets.
     *
     * @throws FormulaError If it cannot be read; the message says what and at which character.
     */
    public static function parse(string $text): self
    {
        return new self($text, Parser::parse($text));
    }

    /** @return list<string> the names it uses, in order of appearance */
    public function symbols(): array
    {
        return Tree::symbols($this->tree);
    }

    /**
     * @param  list<string>  $known  names of all there is, constants aside
     *
     * @throws FormulaError If it uses another; the message says the nearest.
     */
    public function requireKnown(array $known): void
    {
        foreach (Tree::names($this->tree) as $name) {
            if (! in_array($name->symbol, $known, true) && PhysicalConstants::find($name->symbol) === null) {
                throw FormulaError::unknownName($name->symbol, $name->position(), Spelling::nearest($name->symbol, [...$known, ...PhysicalConstants::names()]));
            }
        }
    }

    /** Whether a row of its result rests on other rows too, as a derivative or a mean does. */
    public function looksAtSeveralRows(): bool
    {
        return Tree::looksAtSeveralRows($this->tree);
    }

    /** The formula with one name written differently, also where one of its results is meant (eq.pH); everything else as typed. */
    public function renamed(string $from, string $to): self
    {
        $text = $this->text;
        $places = array_filter(Tree::names($this->tree), static fn (Name $name): bool => $name->symbol === $from || str_starts_with($name->symbol, "{$from}."));
        $positions = array_map(static fn (Name $name): int => $name->position(), $places);
        rsort($positions);
        foreach ($positions as $position) {
            $text = mb_substr($text, 0, $position - 1).$to.mb_substr($text, $position - 1 + mb_strlen($from));
        }

        return self::parse($text);
    }

    /**
     * The exact derivative by one name, as a formula again.
     *
     * @throws FormulaError If a function of a whole column stands in the way.
     */
    public function derivative(string $by): self
    {
        $tree = Differentiator::derivative($this->tree, $by);

        return new self(Text::of($tree), $tree);
    }

    /**
     * The column (or the one number, repeated in every row) this formula gives for a table.
     *
     * @param  Unit|null  $into  unit of the result; what people would write, if not given
     *
     * @throws FormulaError If a name is unknown or units do not fit.
     * @throws UnitMismatch If the result cannot be given in the unit asked for.
     */
    public function derive(Scope $scope, ?Unit $into = null): DerivedColumn
    {
        $check = new UnitCheck($scope);
        $resolved = $check->resolve($this->tree);
        $resolved = UnitCheck::inUnit($resolved, $into ?? $resolved->unit->simplified());
        $values = [];
        foreach ($this->symbols() as $symbol) {
            $value = $scope->valueOf($symbol);
            if ($value !== null) {
                $values[$symbol] = $value;
            }
        }

        $result = (new Program([$resolved->tree]))->run($values)[0];

        return DerivedColumn::of($result, $resolved->unit, $scope, array_keys($values), $check->notes, Tree::looksAround($resolved->tree));
    }

    /**
     * How far each row goes with one of the columns, in the unit of the result per unit of that column.
     *
     * @param  Unit  $into  unit of the result
     * @return list<float> NAN where a cell it needs is blank
     *
     * @throws FormulaError If a name is unknown, units do not fit, or a function of several rows stands in the way.
     */
    public function slopeOf(string $symbol, Scope $scope, Unit $into, int $rowCount): array
    {
        $resolved = UnitCheck::inUnit((new UnitCheck($scope))->resolve($this->tree), $into);
        $values = [];
        foreach ($this->symbols() as $used) {
            $value = $scope->valueOf($used);
            if ($value !== null) {
                $values[$used] = $value;
            }
        }
        $result = (new Program([Differentiator::derivative($resolved->tree, $symbol)]))->run($values)[0];

        return is_float($result) ? array_fill(0, $rowCount, $result) : $result;
    }

    /**
     * The value of a formula in entries alone, with its uncertainty carried to first order; what entries have in common,
     * as two constants of one fit, is counted as that (JCGM 100:2008, 5.2.2).
     *
     * @param  array<string, Measured>  $entries
     *
     * @throws FormulaError If a name is unknown or units do not fit.
     * @throws \Welkion\Core\Exception\InvalidQuantity If there is no result, as for 1/0.
     */
    public function measured(array $entries, ?Unit $into = null): Measured
    {
        $resolved = (new UnitCheck(Scope::of([], $entries)))->resolve($this->tree);
        $resolved = UnitCheck::inUnit($resolved, $into ?? $resolved->unit->simplified());
        $symbols = array_values(array_filter($this->symbols(), static fn (string $s): bool => isset($entries[$s])));
        $trees = [$resolved->tree];
        foreach ($symbols as $symbol) {
            $trees[] = Differentiator::derivative($resolved->tree, $symbol);
        }
        $values = array_map(static fn (Measured $m): float => $m->value, $entries);
        foreach (PhysicalConstants::names() as $name) {
            $values += [$name => PhysicalConstants::find($name)[0] ?? NAN];
        }
        $results = array_map(static fn (float|array $r): float => is_float($r) ? $r : $r[0], (new Program($trees))->run($values));
        $parts = [];
        foreach ($symbols as $i => $symbol) {
            // A value without uncertainty says nothing, also where the formula is steep beyond all measure.
            if ($entries[$symbol]->uncertainty > 0.0) {
                $parts[] = [$entries[$symbol]->shares, $results[$i + 1]];
            }
        }

        return Measured::with($results[0], $resolved->unit, Shares::combined($parts));
    }
}
