<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Formula\Node\Call;
use Welkion\Core\Formula\Node\FunctionName;
use Welkion\Core\Formula\Node\Name;
use Welkion\Core\Formula\Node\Negation;
use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Formula\Node\Number;
use Welkion\Core\Formula\Node\Operation;
use Welkion\Core\Formula\Node\Operator;
use Welkion\Core\Units\Unit;

/**
 * Takes units through a tree: looks names up, converts where two units of one kind meet, refuses the rest.
 *
 * @internal reached through Formula
 */
final class UnitCheck
{
    /** @var list<string> things to know about the result that are no errors */
    public array $notes = [];

    public function __construct(private readonly Scope $scope)
    {
    }

    /** @throws FormulaError If a name is unknown or units do not fit. */
    public function resolve(Node $node): Resolved
    {
        return match (true) {
            $node instanceof Number => new Resolved(Tree::number($node->value), $node->unit ?? Unit::one()),
            $node instanceof Name => $this->name($node),
            $node instanceof Negation => $this->negation($node),
            $node instanceof Operation => $this->operation($node),
            $node instanceof Call => $this->call($node),
            default => throw new \LogicException('A node of an unknown kind.'),
        };
    }

    private function name(Name $node): Resolved
    {
        $unit = $this->scope->unitOf($node->symbol);
        if ($unit === null) {
            if (FunctionName::tryFrom($node->symbol) !== null) {
                throw FormulaError::functionWithoutBrackets($node->symbol, $node->position());
            }
            throw FormulaError::unknownName($node->symbol, $node->position(), Spelling::nearest($node->symbol, $this->scope->names()));
        }

        return new Resolved($node, $unit);
    }

    private function negation(Negation $node): Resolved
    {
        $of = $this->resolve($node->of);
        $this->requireZero($of, $node->of);

        return new Resolved(Tree::negated($of->tree), $of->unit);
    }

    private function operation(Operation $node): Resolved
    {
        $left = $this->resolve($node->left);
        $right = $this->resolve($node->right);

        return match ($node->operator) {
            Operator::Plus => $this->sum($node, $left, $right),
            Operator::Minus => $this->subtraction($node, $left, $right),
            Operator::Times, Operator::Over => $this->product($node, $left, $right),
            Operator::Power => $this->power($node, $left, $right),
        };
    }

    private function sum(Operation $node, Resolved $left, Resolved $right): Resolved
    {
        if (! $left->unit->startsAtZero() && ! $right->unit->startsAtZero()) {
            throw FormulaError::badUnit($node->position(),
                "two temperatures in {$left->unit->symbol} cannot be added; only a difference in K can be added to one.");
        }
        // A difference may stand first: 5 K + t is t + 5 K.
        [$kept, $added] = $right->unit->startsAtZero() ? [$left, $right] : [$right, $left];

        return new Resolved(Tree::plus($kept->tree, $this->asDifference($node, $added, $kept->unit)), $kept->unit);
    }

    private function subtraction(Operation $node, Resolved $left, Resolved $right): Resolved
    {
        if ($right->unit->startsAtZero()) {
            return new Resolved(Tree::minus($left->tree, $this->asDifference($node, $right, $left->unit)), $left->unit);
        }
        $this->requireSameKind($node, $left->unit, $right->unit);

        return new Resolved(Tree::minus($left->tree, self::converted($right, $left->unit)), $left->unit->difference());
    }

    private function product(Operation $node, Resolved $left, Resolved $right): Resolved
    {
        $this->requireZero($left, $node->left);
        $this->requireZero($right, $node->right);
        [$left, $right] = [self::plainRatio($left), self::plainRatio($right)];

        return $node->operator === Operator::Times
            ? new Resolved(Tree::times($left->tree, $right->tree), $left->unit->times($right->unit))
            : new Resolved(Tree::over($left->tree, $right->tree), $left->unit->per($right->unit));
    }

    private function power(Operation $node, Resolved $base, Resolved $exponent): Resolved
    {
        $exponent = $this->dimensionless($exponent, $node->right, 'An exponent');
        $base = self::plainRatio($base);
        if ($base->unit->isOne()) {
            return new Resolved(Tree::power($base->tree, $exponent->tree), $base->unit);
        }
        $this->requireZero($base, $node->left);
        if (! $exponent->tree instanceof Number) {
            throw FormulaError::badUnit($node->right->position(),
                "a value in {$base->unit->symbol} can only be raised to a number that is written out, such as 2 or 0.5.");
        }

        return new Resolved(Tree::power($base->tree, $exponent->tree), $base->unit->toPower($exponent->tree->value));
    }

    private function call(Call $node): Resolved
    {
        $first = $this->resolve($node->arguments[0]);
        $second = isset($node->arguments[1]) ? $this->resolve($node->arguments[1]) : null;
        $function = $node->function;
        $made = static fn (Resolved $argument, Unit $unit): Resolved => new Resolved(Tree::call($function, $argument->tree), $unit);

        return match ($function) {
            FunctionName::Ln, FunctionName::Log10 => $made($this->logarithmic($first, $node), Unit::one()),
            FunctionName::Exp, FunctionName::Sin, FunctionName::Cos, FunctionName::Tan,
            FunctionName::Arcsin, FunctionName::Arccos, FunctionName::Arctan => $made(
                $this->dimensionless($first, $node->arguments[0], "What stands in {$function->value}( )"), Unit::one()),
            FunctionName::Sqrt => $this->zeroed($first, $node, fn (Resolved $r): Resolved => $made($r, $r->unit->toPower(0.5))),
            FunctionName::Abs, FunctionName::Sum => $this->zeroed($first, $node, fn (Resolved $r): Resolved => $made($r, $r->unit)),
            FunctionName::Sign, FunctionName::Count => $made($first, Unit::one()),
            FunctionName::Min, FunctionName::Max, FunctionName::Mean => $made($first, $first->unit),
            FunctionName::Sd, FunctionName::Difference => $made($first, $first->unit->difference()),
            FunctionName::PowerLog => new Resolved(Tree::call($function, $this->dimensionless($first, $node->arguments[0], 'The base')->tree,
                $this->dimensionless($second ?? $first, $node->arguments[1], 'An exponent')->tree), Unit::one()),
            default => $this->ofTwo($node, $first, $second ?? $first),
        };
    }

    private function ofTwo(Call $node, Resolved $y, Resolved $second): Resolved
    {
        $made = static fn (Resolved $s, Unit $unit): Resolved => new Resolved(Tree::call($node->function, $y->tree, $s->tree), $unit);
        $by = $second->unit->difference();
        if ($node->function === FunctionName::Area) {
            $this->requireZero($y, $node->arguments[0]);

            return $made($second, $y->unit->times($by));
        }
        if ($node->function === FunctionName::Derivative) {
            return $made($second, $y->unit->difference()->per($by));
        }
        if ($node->function === FunctionName::SecondDerivative) {
            return $made($second, $y->unit->difference()->per($by->toPower(2.0)));
        }
        $rows = $this->dimensionless($second, $node->arguments[1], 'A number of rows');
        $tree = $rows->tree instanceof Negation ? $rows->tree->of : $rows->tree;
        if (! $tree instanceof Number || floor($tree->value) !== $tree->value) {
            throw FormulaError::badUnit($node->arguments[1]->position(), "write the rows as a whole number: {$node->function->usage()}.");
        }

        return $made($rows, $y->unit);
    }

    /** A logarithm takes the number in the unit the column has; the note says which, for it shifts the result. */
    private function logarithmic(Resolved $argument, Call $node): Resolved
    {
        $this->requireZero($argument, $node->arguments[0]);
        $argument = self::plainRatio($argument);
        if (! $argument->unit->isOne()) {
            $this->notes[] = "{$node->function->value} takes the number of its argument in {$argument->unit->symbol}.";
        }

        return $argument;
    }

    /** @param  callable(Resolved): Resolved  $then */
    private function zeroed(Resolved $argument, Call $node, callable $then): Resolved
    {
        $this->requireZero($argument, $node->arguments[0]);

        return $then($argument);
    }

    private function dimensionless(Resolved $argument, Node $node, string $what): Resolved
    {
        $plain = self::plainRatio($argument);
        if (! $plain->unit->isOne()) {
            throw FormulaError::badUnit($node->position(),
                "{$what} must be a plain number, but this is in {$argument->unit->symbol}. Divide it by a value in {$argument->unit->symbol}.");
        }

        return $plain;
    }

    private function asDifference(Operation $node, Resolved $value, Unit $to): Node
    {
        $this->requireSameKind($node, $to, $value->unit);
        $ratio = $value->unit->convertDifference(1.0, $to);

        return Tree::times($value->tree, Tree::number($ratio));
    }

    private function requireSameKind(Operation $node, Unit $left, Unit $right): void
    {
        if (! $left->measuresTheSameAs($right)) {
            $verb = $node->operator === Operator::Plus ? 'added to' : 'subtracted from';
            $name = static fn (Unit $unit): string => $unit->symbol === '' ? 'a plain number' : "a value in {$unit->symbol}";
            throw FormulaError::badUnit($node->position(), "{$name($right)} cannot be {$verb} {$name($left)}: they measure different things.");
        }
    }

    private function requireZero(Resolved $value, Node $node): void
    {
        if (! $value->unit->startsAtZero()) {
            $what = $node instanceof Name ? "\"{$node->symbol}\"" : 'this';
            throw FormulaError::needsKelvin($node->position(), $what, $value->unit->symbol, $node instanceof Name ? $node->symbol : null);
        }
    }

    /** Per cent, ppm, mL/L and degrees of angle become the plain number they stand for. */
    private static function plainRatio(Resolved $value): Resolved
    {
        return $value->unit->dimension->isNone() && ! $value->unit->isOne()
            ? new Resolved(self::converted($value, Unit::one()), Unit::one()) : $value;
    }

    private static function converted(Resolved $value, Unit $to): Node
    {
        $shift = $value->unit->convert(0.0, $to);

        return Tree::plus(Tree::times($value->tree, Tree::number($value->unit->convertDifference(1.0, $to))), Tree::number($shift));
    }

    /** @return Resolved the same value in another unit of its kind */
    public static function inUnit(Resolved $value, Unit $to): Resolved
    {
        return new Resolved(self::converted($value, $to), $to);
    }
}
