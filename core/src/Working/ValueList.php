<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Units\Unit;

/** Many values of one kind that belong to an outcome. */
final readonly class ValueList
{
    /**
     * @param  list<float>  $values
     * @param  list<float>|null  $uncertainties  null where nothing is known of them
     * @param  list<string>|null  $names  of the values, where they have any
     */
    public function __construct(public array $values, public Unit $unit, public ?array $uncertainties = null, public ?array $names = null)
    {
    }
}
