<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

/** Where a search for the least sum of squares ended, and whether that is an answer. */
final readonly class Minimum
{
    /**
     * @param  list<float>  $constants
     * @param  list<float>  $residuals  y less the curve, not weighted
     * @param  list<list<float>>  $slopes  of the curve by each constant, at every point, not weighted
     * @param  float  $residualSumOfSquares  weighted, if weights were given
     * @param  list<bool>  $atBound  which constants were stopped by a bound
     */
    public function __construct(
        public array $constants,
        public array $residuals,
        public array $slopes,
        public float $residualSumOfSquares,
        public int $iterations,
        public Outcome $outcome,
        public array $atBound,
    ) {
    }

    /** Whether the search ended at an answer. */
    public function hasConverged(): bool
    {
        return $this->outcome === Outcome::Converged;
    }
}
