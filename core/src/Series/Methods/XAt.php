<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Series\Crossings;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;
use Welkion\Core\Working\ValueList;

/** x where y has a value. */
final readonly class XAt implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'x-at', 'Read x', 'Reads x where y first has a value, on the straight line between two neighbours; the other places are listed.',
            'Inverse linear interpolation.',
            [Slot::column('x', 'x'), Slot::column('y', 'y'), Slot::number('value', 'Which y', 'y')],
            ['x' => 'x'], ['x' => 'Every x'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $series = $inputs->series();
        $height = $inputs->number('value')->in($inputs->column('y')->unit);
        $crossings = Crossings::of($series, $height->value);
        $unit = $inputs->column('x')->unit;
        if ($crossings === []) {
            return Outcome::needs('The points never reach this y. Choose one between the lowest and the highest.', 'y(x) = value');
        }
        $slope = $height->uncertainty === 0.0 ? 0.0 : abs($series->slopeAt($crossings[0]) ?? 0.0);
        $uncertainty = $slope === 0.0 ? 0.0 : $height->uncertainty / $slope;

        return Outcome::of(['x' => Measured::of($crossings[0], $uncertainty, $unit)], 'y(x) = value', ['x' => new ValueList($crossings, $unit)]);
    }
}
