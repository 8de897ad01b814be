<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Formula\Node\Call;
use Welkion\Core\Formula\Node\Name;
use Welkion\Core\Formula\Node\Negation;
use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Formula\Node\Number;
use Welkion\Core\Formula\Node\Operation;
use Welkion\Core\Formula\Node\Operator;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Mathematics;

/** A typed formula as mathematics, with symbols or with the numbers put in. */
final class Typeset
{
    /**
     * @param  array<string, Measured>  $values  put in for the symbols that have one
     * @param  array<string, string>  $names  what symbols are written as, where it is not as in the formula
     */
    public static function formula(Formula $formula, array $values = [], array $names = []): Mathematics
    {
        return self::node($formula->tree, $values, $names);
    }

    /**
     * @param  array<string, Measured>  $values
     * @param  array<string, string>  $names
     */
    private static function node(Node $node, array $values, array $names): Mathematics
    {
        $of = static fn (Node $part): Mathematics => self::node($part, $values, $names);

        return match (true) {
            $node instanceof Number => Mathematics::number((string) json_encode($node->value), $node->unit->symbol ?? ''),
            $node instanceof Name => isset($values[$node->symbol]) ? Mathematics::value($values[$node->symbol]) : Mathematics::symbol($names[$node->symbol] ?? $node->symbol),
            $node instanceof Negation => Mathematics::negative($of($node->of)),
            $node instanceof Operation => self::operation($node->operator, $of($node->left), $of($node->right)),
            $node instanceof Call => Mathematics::call($node->function->value, ...array_map($of, $node->arguments)),
            default => throw new \LogicException('A node of an unknown kind.'),
        };
    }

    private static function operation(Operator $operator, Mathematics $left, Mathematics $right): Mathematics
    {
        return match ($operator) {
            Operator::Plus => Mathematics::plus($left, $right),
            Operator::Minus => Mathematics::minus($left, $right),
            Operator::Times => Mathematics::times($left, $right),
            Operator::Over => Mathematics::over($left, $right),
            Operator::Power => Mathematics::power($left, $right),
        };
    }
}
