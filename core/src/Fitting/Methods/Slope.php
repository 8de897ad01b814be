<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting\Methods;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\FitGoodness;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Goodness;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** The straight line through points. */
final readonly class Slope implements Method
{
    /** Points. */
    private const MANY = 2_000;

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
        $perX = $y->unit->difference()->per($x->unit->difference());
        [$values, $covariance, $goodness] = count($x->values) > self::MANY ? self::ofMany($x, $y) : self::ofFew($x, $y);
        [$slope, $intercept] = Measured::jointly($values, $covariance, [$perX, $y->unit], $inputs->source("scatter of {$y->name}"));
        $simple = $perX->simplified();
        $warnings = $goodness->bends ? [new Warning('bends', 'A straight line leaves a pattern.', 'The points bend: take a shorter span, or another relation.')] : [];

        [$from, $to] = $x->ends();

        return Outcome::of(['slope' => $slope->in($simple), 'intercept' => $intercept], 'y = slope · x + intercept', warnings: $warnings,
            marks: [Mark::curve([$from, $to], [$intercept->value + $slope->value * $from, $intercept->value + $slope->value * $to], 'slope')],
            explanation: new Explanation(Mathematics::over(Mathematics::symbol("Δ{$y->name}"), Mathematics::symbol("Δ{$x->name}"))),
            goodness: $goodness->renamed(['a' => ['slope', $perX->convertDifference(1.0, $simple)], 'b' => ['intercept', 1.0]]));
    }

    /**
     * @return array{list<float>, list<list<float>>, Goodness} slope and intercept, their covariance, and how good the line is
     *
     * @throws CoreException If there are fewer than two different x.
     */
    private static function ofFew(ColumnInput $x, ColumnInput $y): array
    {
        $fit = (new CurveFitter)->fit(Relation::Linear->curve(), $x->values, $y->values);
        if (! $fit->hasConverged()) {
            throw NotEnoughPoints::need('A slope', 2, count(array_unique($x->values)));
        }

        // Two points leave nothing over to tell how far the line may be off.
        return [$fit->values(), $fit->degreesOfFreedom() > 0 ? $fit->covariance : [[0.0, 0.0], [0.0, 0.0]], FitGoodness::of($fit, $x, $y)];
    }

    /**
     * The same line by sums about the means: of so many points a decomposition is not refined either, and costs ten times as much.
     *
     * @return array{list<float>, list<list<float>>, Goodness}
     *
     * @throws CoreException If there are fewer than two different x.
     */
    private static function ofMany(ColumnInput $x, ColumnInput $y): array
    {
        $line = StraightLine::through($x->values, $y->values);

        return [[$line->slope, $line->intercept()], $line->covariance(), FitGoodness::ofLine($line, $x, $y)];
    }
}
