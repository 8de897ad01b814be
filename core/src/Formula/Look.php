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

/** Looks at a formula for what people write by mistake. */
final class Look
{
    /** @return list<float> every plain number that is typed in it */
    public static function numbers(Formula $formula): array
    {
        return array_values(array_map(static fn (Number $number): float => $number->value, array_filter(self::nodes($formula->tree), static fn (Node $node): bool => $node instanceof Number)));
    }

    /**
     * Differences of a largest and a smallest value: max(T) - min(T), or L.max - L.min of a line.
     *
     * @return list<string> symbols they are of
     */
    public static function ranges(Formula $formula): array
    {
        $found = [];
        foreach (self::nodes($formula->tree) as $node) {
            if ($node instanceof Operation && $node->operator === Operator::Minus) {
                [$one, $other] = [self::extreme($node->left), self::extreme($node->right)];
                if ($one !== null && $other !== null && $one[0] === $other[0] && $one[1] !== $other[1]) {
                    $found[] = $one[0];
                }
            }
        }

        return array_values(array_unique($found));
    }

    /** @return array{string, string}|null of what, and max or min */
    private static function extreme(Node $node): ?array
    {
        if ($node instanceof Name) {
            [$of, $part] = explode('.', $node->symbol, 2) + [1 => ''];

            return $part === 'max' || $part === 'min' ? [$of, $part] : null;
        }

        return $node instanceof Call && in_array($node->function, [FunctionName::Max, FunctionName::Min], true) && $node->arguments[0] instanceof Name
            ? [$node->arguments[0]->symbol, $node->function->value] : null;
    }

    /** @return list<Node> the tree and all its parts */
    private static function nodes(Node $node): array
    {
        $parts = match (true) {
            $node instanceof Negation => [$node->of],
            $node instanceof Operation => [$node->left, $node->right],
            $node instanceof Call => $node->arguments,
            default => [],
        };

        return [$node, ...array_merge(...array_map(self::nodes(...), $parts))];
    }
}
