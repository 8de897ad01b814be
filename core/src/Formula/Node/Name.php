<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

/** The symbol of a column, an entry or a constant. */
final readonly class Name implements Node
{
    public function __construct(public string $symbol, private int $at = 1)
    {
    }

    public function position(): int
    {
        return $this->at;
    }
}
