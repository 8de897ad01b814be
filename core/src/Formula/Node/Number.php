<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

use Welkion\Core\Units\Unit;

/** A number as typed, with the unit typed after it in square brackets, if any. */
final readonly class Number implements Node
{
    public function __construct(public float $value, public ?Unit $unit = null, private int $at = 1)
    {
    }

    public function position(): int
    {
        return $this->at;
    }

    /** Whether it is this plain number. */
    public function is(float $value): bool
    {
        return $this->unit === null && $this->value === $value;
    }
}
