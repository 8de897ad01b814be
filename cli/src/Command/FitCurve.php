<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Cli\Points;
use Welkion\Core\Fitting\Bounds;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\Relation;

/** Fits a relation or a typed formula. */
final class FitCurve extends Command
{
    public function name(): string
    {
        return 'fit';
    }

    public function purpose(): string
    {
        return 'fits a relation or a typed formula by least squares';
    }

    public function options(): array
    {
        return [
            'x' => '*name or symbol of the column on the horizontal axis',
            'y' => '*name or symbol of the column to describe',
            'relation' => 'one of: '.implode(', ', array_column(Relation::cases(), 'value')),
            'formula' => 'in place of a relation: in x and free constants, such as "b1*(1-exp(-b2*x))"',
            'start' => 'starting values, such as "b1=500,b2=0.0001"; found automatically if left out',
            'bounds' => 'lowest and highest values, such as "k=0:1,c=:5"',
            'weights' => 'column of weights, in proportion to 1 / variance of each y',
            'from' => 'only points where x is at least this',
            'to' => 'only points where x is at most this',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $start = $options->numbers('start');
        $curve = $this->curve($options, array_keys($start));
        foreach ($start as $name => $value) {
            if (! in_array($name, $curve->constants, true)) {
                throw Failure::input("--start names \"{$name}\", but the constants are ".implode(', ', $curve->constants).'.');
            }
        }
        $points = Points::of($input->table($options->file()), $options->text('x'), $options->text('y'), $options->number('from'), $options->number('to'),
            $options->has('weights') ? $options->text('weights') : null);
        $bounds = $options->has('bounds') ? Bounds::of($curve->constants, $options->ranges('bounds')) : null;
        $fit = (new CurveFitter)->fit($curve, $points->x, $points->y, $start, $points->weights, $bounds, xUnit: $points->xUnit(), yUnit: $points->yUnit());
        $document = $this->document($fit, $points);
        if (! $fit->hasConverged()) {
            throw Failure::noAnswer($fit->outcome->sentence(), $fit->outcome->value, ['fit' => $document]);
        }

        return Json::of($document);
    }

    /** @param  list<string>  $free */
    private function curve(Options $options, array $free): Curve
    {
        if ($options->has('formula') === $options->has('relation')) {
            throw Failure::input('Give either --relation or --formula.');
        }
        if ($options->has('formula')) {
            return Curve::typed($options->text('formula'), $free);
        }
        $relation = Relation::tryFrom($options->text('relation'))
            ?? throw Failure::input("There is no relation \"{$options->text('relation')}\". The relations are: ".implode(', ', array_column(Relation::cases(), 'value')).'.');

        return $relation->curve();
    }

    /** @return array<string, mixed> */
    private function document(Fit $fit, Points $points): array
    {
        $constants = [];
        foreach ($fit->constants as $constant) {
            [$low, $high] = $constant->interval();
            $constants[$constant->name] = [
                'value' => $constant->value,
                'standardError' => $constant->standardError,
                'low' => $low,
                'high' => $high,
                'unit' => $constant->unit?->symbol,
            ];
        }

        return [
            'relation' => $fit->curve->name,
            'formula' => $fit->curve->formula->text,
            'x' => $points->xColumn->name,
            'y' => $points->yColumn->name,
            'n' => $fit->n(),
            'missing' => $points->missing,
            'degreesOfFreedom' => $fit->degreesOfFreedom(),
            'constants' => $constants,
            'residualSumOfSquares' => $fit->residualSumOfSquares,
            'residualStandardDeviation' => $fit->residualStandardDeviation(),
            'rmse' => $fit->rmse(),
            'rSquared' => $fit->rSquared,
            'aicc' => $fit->aicc(),
            'iterations' => $fit->iterations,
            'converged' => $fit->hasConverged(),
            'bends' => $fit->bends(),
            'warnings' => self::warnings($fit->warnings()),
        ];
    }
}
