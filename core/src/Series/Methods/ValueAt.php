<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Series\Interpolation;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
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
        $at = $inputs->number('at')->in($inputs->column('x')->unit);
        $y = Interpolation::at($inputs, $at);
        $explanation = new Explanation(Mathematics::at(Mathematics::symbol($inputs->column('y')->name), Mathematics::value($at)));

        return $y === null ? Outcome::needs('This x lies outside of the points. Choose one between the first and the last.', 'y(x)', $explanation)
            : Outcome::of(['value' => $y], 'y(x)', marks: [Mark::point($at->value, $y->value, Digits::of($y)->value)], explanation: $explanation);
    }
}
