<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting\Methods;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** The straight line through points. */
final readonly class Slope implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'slope', 'Slope', 'The slope of the straight line through the points, and where it meets the y axis.',
            'Ordinary least squares (Draper and Smith, Applied Regression Analysis, 3rd edition, chapter 1).',
            [Slot::column('x', 'x'), Slot::column('y', 'y')],
            ['slope' => 'Slope', 'intercept' => 'Intercept'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $fit = (new CurveFitter)->fit(Relation::Linear->curve(), $x->values, $y->values);
        if (! $fit->hasConverged()) {
            throw NotEnoughPoints::need('A slope', 2, count(array_unique($x->values)));
        }
        $perX = $y->unit->difference()->per($x->unit->difference());
        // Two points leave nothing over to tell how far the line may be off.
        $covariance = $fit->degreesOfFreedom() > 0 ? $fit->covariance : [[0.0, 0.0], [0.0, 0.0]];
        [$slope, $intercept] = Measured::jointly($fit->values(), $covariance, [$perX, $y->unit], $inputs->source("scatter of {$y->name}"));
        $warnings = $fit->bends()
            ? [new Warning('bends', 'A straight line leaves a pattern.', 'The points bend: take a shorter span, or another relation.')] : [];

        [$from, $to] = [min([INF, ...$x->values]), max([-INF, ...$x->values])];

        return Outcome::of(['slope' => $slope->in($perX->simplified()), 'intercept' => $intercept], 'y = slope · x + intercept', warnings: $warnings,
            marks: [Mark::curve([$from, $to], [$intercept->value + $slope->value * $from, $intercept->value + $slope->value * $to], 'slope')],
            explanation: new Explanation(Mathematics::over(Mathematics::symbol("Δ{$y->name}"), Mathematics::symbol("Δ{$x->name}"))));
    }
}
