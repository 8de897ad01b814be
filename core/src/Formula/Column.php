<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Units\Unit;

/** A column of a table: its symbol in formulas, its unit and its cells. */
final readonly class Column
{
    /** @param  list<float>  $values  NAN for a blank cell */
    public function __construct(public string $symbol, public Unit $unit, public array $values)
    {
    }
}
