<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Units\Unit;

/** A column as a method gets it: the rows that count, without blanks. */
final readonly class ColumnInput
{
    /** @param  list<float>  $values */
    public function __construct(public string $name, public Unit $unit, public array $values)
    {
    }
}
