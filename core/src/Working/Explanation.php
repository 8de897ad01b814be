<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** How a result comes about: the formula in symbols, and with numbers put in. */
final readonly class Explanation
{
    public function __construct(public Mathematics $symbols, public ?Mathematics $numbers = null)
    {
    }
}
