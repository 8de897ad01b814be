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
 * The exact derivative of a tree by the rules of differentiation.
 *
 * @internal reached through Formula::derivative()
 */
final class Differentiator
{
    /** @throws FormulaError If a function of a whole column stands in the way. */
    public static function derivative(Node $node, string $by): Node
    {
        return match (true) {
            $node instanceof Name => Tree::number($node->symbol === $by ? 1.0 : 0.0),
            $node instanceof Negation => Tree::negated(self::derivative($node->of, $by)),
            $node instanceof Operation => self::ofOperation($node, $by),
            $node instanceof Call => self::ofCall($node, $by),
            default => Tree::number(0.0),
        };
    }

    private static function ofOperation(Operation $node, string $by): Node
    {
        [$a, $b] = [$node->left, $node->right];
        $da = self::derivative($a, $by);
        $db = self::derivative($b, $by);

        return match ($node->operator) {
            Operator::Plus => Tree::plus($da, $db),
            Operator::Minus => Tree::minus($da, $db),
            Operator::Times => Tree::plus(Tree::times($da, $b), Tree::times($a, $db)),
            // (a/b)' = a'/b - (a/b) b'/b, which shares a/b with the value itself.
            Operator::Over => Tree::minus(Tree::over($da, $b), Tree::over(Tree::times($node, $db), $b)),
            Operator::Power => self::ofPower($node, $da, $db),
        };
    }

    private static function ofPower(Operation $node, Node $da, Node $db): Node
    {
        [$a, $b] = [$node->left, $node->right];
        $less = $b instanceof Number ? Tree::number($b->value - 1.0) : Tree::minus($b, Tree::number(1.0));
        $byBase = Tree::times(Tree::times($b, Tree::power($a, $less)), $da);
        if ($db instanceof Number && $db->is(0.0)) {
            return $byBase;
        }

        return Tree::plus($byBase, Tree::times(Tree::call(FunctionName::PowerLog, $a, $b), $db));
    }

    private static function ofCall(Call $node, string $by): Node
    {
        if (! Tree::mentions($node, $by)) {
            return Tree::number(0.0);
        }
        $a = $node->arguments[0];
        if ($node->function === FunctionName::PowerLog) {
            return self::derivative(Tree::times(Tree::power($a, $node->arguments[1]), Tree::call(FunctionName::Ln, $a)), $by);
        }
        $one = Tree::number(1.0);
        $square = Tree::power($a, Tree::number(2.0));
        $outer = match ($node->function) {
            FunctionName::Exp => $node,
            FunctionName::Ln => Tree::over($one, $a),
            FunctionName::Log10 => Tree::over($one, Tree::times(Tree::number(M_LN10), $a)),
            FunctionName::Sqrt => Tree::over(Tree::number(0.5), $node),
            FunctionName::Abs => Tree::call(FunctionName::Sign, $a),
            FunctionName::Sign => Tree::number(0.0),
            FunctionName::Sin => Tree::call(FunctionName::Cos, $a),
            FunctionName::Cos => Tree::negated(Tree::call(FunctionName::Sin, $a)),
            FunctionName::Tan => Tree::plus($one, Tree::power($node, Tree::number(2.0))),
            FunctionName::Arcsin => Tree::over($one, Tree::call(FunctionName::Sqrt, Tree::minus($one, $square))),
            FunctionName::Arccos => Tree::over(Tree::number(-1.0), Tree::call(FunctionName::Sqrt, Tree::minus($one, $square))),
            FunctionName::Arctan => Tree::over($one, Tree::plus($one, $square)),
            default => throw FormulaError::noDerivative($node->function, $node->position()),
        };

        return Tree::times($outer, self::derivative($a, $by));
    }
}
