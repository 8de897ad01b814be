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
    /** @param  array<string, Measured>  $values  put in for the symbols that have one */
    public static function formula(Formula $formula, array $values = []): Mathematics
    {
        return self::node($formula->tree, $values);
    }

    /** @param  array<string, Measured>  $values */
    private static function node(Node $node, array $values): Mathematics
    {
        $of = static fn (Node $part): Mathematics => self::node($part, $values);

        return match (true) {
            $node instanceof Number => Mathematics::number((string) json_encode($node->value), $node->unit->symbol ?? ''),
            $node instanceof Name => isset($values[$node->symbol]) ? Mathematics::value($values[$node->symbol]) : Mathematics::symbol($node->symbol),
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
