<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** How far y goes from one x to another. */
final readonly class Difference implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'difference', 'Change', 'The change of y from one x to another, read on the straight lines between the points.', 'Linear interpolation.',
            [Slot::column('x', 'x'), Slot::column('y', 'y'), Slot::number('from', 'From which x', 'x'), Slot::number('to', 'To which x', 'x')],
            ['dy' => 'Change of y', 'dx' => 'Change of x'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $series = $inputs->series();
        [$x, $y] = [$inputs->column('x')->unit, $inputs->column('y')->unit];
        [$from, $to] = [$inputs->number('from')->in($x), $inputs->number('to')->in($x)];
        [$start, $end] = [$series->at($from->value), $series->at($to->value)];
        if ($start === null || $end === null) {
            return Outcome::needs('One of the two lies outside of the points. Choose both between the first and the last.', 'y(to) − y(from)');
        }

        return Outcome::of([
            'dy' => Measured::of($end - $start, 0.0, $y->difference()), 'dx' => Measured::of($to->value - $from->value, 0.0, $x->difference()),
        ], 'y(to) − y(from)');
    }
}
