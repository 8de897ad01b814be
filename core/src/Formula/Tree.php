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

/**
 * Builds trees and leaves out at once what changes nothing: 0 + a, 1 * a, a^1. Numbers here carry no unit.
 *
 * @internal
 */
final class Tree
{
    /** A plain number. */
    public static function number(float $value): Number
    {
        return new Number($value);
    }

    /** a + b. */
    public static function plus(Node $a, Node $b): Node
    {
        return match (true) {
            self::is($a, 0.0) => $b,
            self::is($b, 0.0) => $a,
            $b instanceof Negation => self::minus($a, $b->of),
            default => self::folded(Operator::Plus, $a, $b),
        };
    }

    /** a - b. */
    public static function minus(Node $a, Node $b): Node
    {
        return match (true) {
            self::is($b, 0.0) => $a,
            self::is($a, 0.0) => self::negated($b),
            $b instanceof Negation => self::plus($a, $b->of),
            default => self::folded(Operator::Minus, $a, $b),
        };
    }

    /** a b. */
    public static function times(Node $a, Node $b): Node
    {
        return match (true) {
            self::is($a, 0.0), self::is($b, 0.0) => self::number(0.0),
            self::is($a, 1.0) => $b,
            self::is($b, 1.0) => $a,
            self::is($a, -1.0) => self::negated($b),
            $a instanceof Negation => self::negated(self::times($a->of, $b)),
            $b instanceof Negation => self::negated(self::times($a, $b->of)),
            // From the left on, so that a slope shares a*b with the value a*b*c.
            $b instanceof Operation && $b->operator === Operator::Times => self::times(self::times($a, $b->left), $b->right),
            default => self::folded(Operator::Times, $a, $b),
        };
    }

    /** a / b. */
    public static function over(Node $a, Node $b): Node
    {
        return match (true) {
            self::is($a, 0.0) => self::number(0.0),
            self::is($b, 1.0) => $a,
            $a instanceof Negation => self::negated(self::over($a->of, $b)),
            default => self::folded(Operator::Over, $a, $b),
        };
    }

    /** a to the power b. */
    public static function power(Node $a, Node $b): Node
    {
        return match (true) {
            self::is($b, 0.0) => self::number(1.0),
            self::is($b, 1.0) => $a,
            default => self::folded(Operator::Power, $a, $b),
        };
    }

    /** -a. */
    public static function negated(Node $a): Node
    {
        return match (true) {
            $a instanceof Negation => $a->of,
            $a instanceof Number && $a->unit === null => new Number(-$a->value, null, $a->position()),
            default => new Negation($a),
        };
    }

    /** A function of its arguments. */
    public static function call(FunctionName $function, Node ...$arguments): Node
    {
        assert($arguments !== []);

        return new Call($function, array_values($arguments));
    }

    /** Whether the tree, or a part of it, is this name. */
    public static function mentions(Node $node, string $symbol): bool
    {
        return in_array($symbol, self::symbols($node), true);
    }

    /** @return list<string> the names in it, in the order in which they appear first */
    public static function symbols(Node $node): array
    {
        $names = [];
        foreach (self::names($node) as $name) {
            $names[$name->symbol] = true;
        }

        return array_map(strval(...), array_keys($names));
    }

    /** @return list<Name> every place where a name stands */
    public static function names(Node $node): array
    {
        return match (true) {
            $node instanceof Name => [$node],
            $node instanceof Negation => self::names($node->of),
            $node instanceof Operation => [...self::names($node->left), ...self::names($node->right)],
            $node instanceof Call => array_merge(...array_map(self::names(...), $node->arguments)),
            default => [],
        };
    }

    /** Whether a row of the result rests on other rows: its neighbours, or all of them. */
    public static function looksAtSeveralRows(Node $node): bool
    {
        return match (true) {
            $node instanceof Negation => self::looksAtSeveralRows($node->of),
            $node instanceof Operation => self::looksAtSeveralRows($node->left) || self::looksAtSeveralRows($node->right),
            $node instanceof Call => ! $node->function->isRowByRow() || self::looksAtSeveralRows($node->arguments[0]),
            default => false,
        };
    }

    /** Whether a row of the result rests on its neighbours. */
    public static function looksAround(Node $node): bool
    {
        return match (true) {
            $node instanceof Negation => self::looksAround($node->of),
            $node instanceof Operation => self::looksAround($node->left) || self::looksAround($node->right),
            $node instanceof Call => ! ($node->function->isRowByRow() || $node->function->isOneNumber())
                || self::looksAround($node->arguments[0]),
            default => false,
        };
    }

    private static function is(Node $node, float $value): bool
    {
        return $node instanceof Number && $node->is($value);
    }

    private static function folded(Operator $operator, Node $a, Node $b): Node
    {
        if ($a instanceof Number && $b instanceof Number && $a->unit === null && $b->unit === null) {
            $value = Arithmetic::apply($operator, $a->value, $b->value);
            if (is_float($value) && is_finite($value)) {
                return self::number($value);
            }
        }

        return new Operation($operator, $a, $b, $a->position());
    }
}
