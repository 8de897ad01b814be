<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

/** Two parts joined by + - * / or ^. */
final readonly class Operation implements Node
{
    public function __construct(public Operator $operator, public Node $left, public Node $right, private int $at = 1)
    {
    }

    public function position(): int
    {
        return $this->at;
    }
}
