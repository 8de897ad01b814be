<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Units\Unit;

/**
 * A tree whose names are known and whose units fit: numbers only, with every conversion put in.
 *
 * @internal between UnitCheck and Formula
 */
final readonly class Resolved
{
    /** @param  Unit  $unit  of the result */
    public function __construct(public Node $tree, public Unit $unit)
    {
    }
}
