<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Series\Interpolation;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
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
        [$x, $y] = [$inputs->column('x')->unit, $inputs->column('y')];
        [$from, $to] = [$inputs->number('from')->in($x), $inputs->number('to')->in($x)];
        [$start, $end] = [Interpolation::at($inputs, $from), Interpolation::at($inputs, $to)];
        $value = static fn (Measured $where): Mathematics => Mathematics::at(Mathematics::symbol($y->name), Mathematics::value($where));
        $explanation = new Explanation(
            Mathematics::minus($value($to), $value($from)),
            $start === null || $end === null ? null : Mathematics::minus(Mathematics::value($end), Mathematics::value($start)),
        );
        if ($start === null || $end === null) {
            return Outcome::needs('One of the two lies outside of the points. Choose both between the first and the last.', 'y(to) − y(from)', $explanation);
        }

        return Outcome::of(
            ['dy' => $end->minus($start)->in($y->unit->difference()), 'dx' => $to->minus($from)->in($x->difference())], 'y(to) − y(from)',
            marks: [Mark::point($from->value, $start->value, ''), Mark::point($to->value, $end->value, '')], explanation: $explanation,
        );
    }
}
