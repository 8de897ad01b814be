<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** y where x has a value. */
final readonly class ValueAt implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'value-at', 'Read y', 'Reads y at an x, on the straight line between its two neighbours.', 'Linear interpolation.',
            [Slot::column('x', 'x'), Slot::column('y', 'y'), Slot::number('at', 'At which x', 'x')],
            ['value' => 'Value'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $series = $inputs->series();
        $at = $inputs->number('at')->in($inputs->column('x')->unit);
        $y = $series->at($at->value);
        if ($y === null) {
            return Outcome::needs('This x lies outside of the points. Choose one between the first and the last.', 'y(x)');
        }
        // What is not known of x is not known of y, by the slope there.
        $slope = $at->uncertainty === 0.0 ? 0.0 : abs($series->slopeAt($at->value) ?? 0.0);

        return Outcome::of(['value' => Measured::of($y, $slope * $at->uncertainty, $inputs->column('y')->unit)], 'y(x)');
    }
}
