<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

/** A part with a minus sign in front. */
final readonly class Negation implements Node
{
    public const PRECEDENCE = 3;

    public function __construct(public Node $of, private int $at = 1)
    {
    }

    public function position(): int
    {
        return $this->at;
    }
}
