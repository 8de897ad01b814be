<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Sample;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** Mean, scatter and ends of a column. */
final readonly class Statistics implements Method
{
    /** sqrt(pi/2): how much more the median of many normal values scatters than their mean (Kendall and Stuart, 10.10). */
    private const MEDIAN_FACTOR = 1.2533141373155003;

    public function declaration(): Declaration
    {
        return new Declaration(
            'statistics', 'Statistics', 'The mean of a column with its standard error, its scatter, its ends and its middle.',
            'JCGM 100:2008, 4.2; standard error of a standard deviation: sd / sqrt(2 (n − 1)).',
            [Slot::column('column', 'The column')],
            [
                'mean' => 'Mean', 'n' => 'How many', 'sd' => 'Standard deviation', 'standardError' => 'Standard error of the mean',
                'min' => 'Smallest', 'max' => 'Largest', 'median' => 'Median',
            ],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $column = $inputs->column('column');
        $sample = Sample::of($column->values);
        $isKnown = $sample->n > 1;
        $difference = $column->unit->difference();
        $scatter = $inputs->source("scatter of {$column->name}");
        $error = $isKnown ? $sample->standardError : 0.0;
        $sd = $isKnown ? $sample->sd : 0.0;
        $relative = $isKnown ? 1.0 / sqrt(2.0 * ($sample->n - 1)) : 0.0;

        return Outcome::of([
            'mean' => Measured::of($sample->mean, $error, $column->unit, $scatter),
            'n' => Measured::of((float) $sample->n, 0.0, Unit::one()),
            'sd' => Measured::of($sd, $sd * $relative, $difference),
            'standardError' => Measured::of($error, $error * $relative, $difference),
            'min' => Measured::of($sample->min, 0.0, $column->unit),
            'max' => Measured::of($sample->max, 0.0, $column->unit),
            'median' => Measured::of($sample->median, self::MEDIAN_FACTOR * $error, $column->unit),
        ], "mean({$column->name})", explanation: new Explanation(Mathematics::call('mean', Mathematics::symbol($column->name))));
    }
}
