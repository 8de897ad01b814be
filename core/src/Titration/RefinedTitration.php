<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Uncertainty\Measured;

/** What the balance of charges tells about a titration curve. */
final readonly class RefinedTitration
{
    /**
     * @param  non-empty-list<Measured>  $volumes  equivalence volumes in mL, one for each jump
     * @param  list<float>  $pKs  pKa of the acid groups (of a base, of its partner acid), as far as the curve shows them
     * @param  float  $lag  part of a change that the electrode still misses at the next reading; 0 for a fast one
     * @param  float  $scatter  standard deviation of the points about the curve, in pH
     * @param  int  $hidden  acid groups that react before the last jump without a jump of their own
     * @param  list<float>  $left  volumes in mL of points that were left out as too far off
     */
    public function __construct(
        public array $volumes,
        public array $pKs,
        public float $lag,
        public float $scatter,
        public int $hidden,
        public array $left,
    ) {
    }
}
