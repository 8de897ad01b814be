<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

/** A function with what stands in its brackets. */
final readonly class Call implements Node
{
    /** @param  non-empty-list<Node>  $arguments  as many as the function takes */
    public function __construct(public FunctionName $function, public array $arguments, private int $at = 1)
    {
    }

    public function position(): int
    {
        return $this->at;
    }
}
