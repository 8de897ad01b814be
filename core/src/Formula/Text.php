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
 * Writes a tree as a formula with no more brackets than needed; reading it again gives the same tree.
 *
 * @internal
 */
final class Text
{
    /** The tree as a formula. */
    public static function of(Node $node): string
    {
        return match (true) {
            $node instanceof Number => self::number($node),
            $node instanceof Name => $node->symbol,
            $node instanceof Negation => '-'.self::within($node->of, Negation::PRECEDENCE),
            $node instanceof Operation => self::operation($node),
            $node instanceof Call && $node->function === FunctionName::PowerLog => self::of(Tree::times(
                Tree::power($node->arguments[0], $node->arguments[1]), Tree::call(FunctionName::Ln, $node->arguments[0]))),
            $node instanceof Call => $node->function->value.'('.implode(', ', array_map(self::of(...), $node->arguments)).')',
            default => throw new \LogicException('A node of an unknown kind.'),
        };
    }

    private static function number(Number $node): string
    {
        $text = (string) json_encode($node->value);

        return $node->unit === null ? $text : "{$text} [{$node->unit->symbol}]";
    }

    private static function operation(Operation $node): string
    {
        $own = $node->operator->precedence();
        $isPower = $node->operator === Operator::Power;
        $left = self::within($node->left, $isPower ? $own + 1 : $own);
        $right = self::within($node->right, $isPower ? $own : $own + 1);
        $space = $own === 1 ? ' ' : '';

        return $left.$space.$node->operator->value.$space.$right;
    }

    private static function within(Node $node, int $least): string
    {
        $own = match (true) {
            $node instanceof Operation => $node->operator->precedence(),
            $node instanceof Negation => Negation::PRECEDENCE,
            $node instanceof Call && $node->function === FunctionName::PowerLog => Operator::Times->precedence(),
            $node instanceof Number => $node->value < 0.0 ? Negation::PRECEDENCE : 9,
            default => 9,
        };

        return $own < $least ? '('.self::of($node).')' : self::of($node);
    }
}
