<?php

declare(strict_types=1);

namespace Welkion\Core\Straighten;

use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\Relation;

/** One way to plot two quantities so that a relation becomes a straight line. */
final readonly class Candidate
{
    /**
     * @param  string  $x  what goes on the horizontal axis, in x: "1/x"
     * @param  string  $y  what goes on the vertical axis, in y: "ln(y)"
     * @param  Fit  $line  of the plotted values; through the origin for "proportional"
     * @param  Fit  $fit  of the relation to x and y themselves
     * @param  list<float>  $plottedX  points of the plot, in the order of the points given
     * @param  list<float>  $plottedY  same length
     * @param  float  $criterion  AICc of the relation for y itself; comparable between candidates, lower is better
     */
    public function __construct(
        public Relation $relation,
        public string $x,
        public string $y,
        public Fit $line,
        public Fit $fit,
        public float $criterion,
        public array $plottedX = [],
        public array $plottedY = [],
    ) {
    }

    /** Slope of the plotted line. */
    public function slope(): float
    {
        return $this->line->constant('a')->value ?? NAN;
    }

    /** Height of the plotted line at zero; 0 for one through the origin. */
    public function intercept(): float
    {
        return $this->line->constant('b')->value ?? 0.0;
    }

    /** Whether the plotted points still bend away from their line. */
    public function bends(): bool
    {
        return $this->line->bends();
    }
}
