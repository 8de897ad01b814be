<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

/**
 * A stretch of a titration curve that is steeper than what lies on both its sides.
 *
 * @internal used by EquivalenceFinder alone
 */
final readonly class Jump
{
    /**
     * @param  int  $from  index of the point where it begins
     * @param  int  $to  index of the point where it ends
     * @param  float  $excess  by how much it is steeper, in pH per mL
     */
    public function __construct(public int $from, public int $to, public float $excess)
    {
    }
}
