<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Series\Crossings;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
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
        $series = Points::of($inputs);
        $height = $inputs->number('value')->in($inputs->column('y')->unit);
        $crossings = Crossings::of($series, $height->value);
        $unit = $inputs->column('x')->unit;
        if ($crossings === []) {
            return Outcome::needs('The points never reach this y. Choose one between the lowest and the highest.', 'y(x) = value');
        }
        $slope = $height->uncertainty === 0.0 ? 0.0 : $series->slopeAt($crossings[0]) ?? 0.0;
        $x = Measured::with($crossings[0], $unit, Shares::combined([[$height->shares, $slope === 0.0 ? 0.0 : 1.0 / $slope]]));

        return Outcome::of(['x' => $x], 'y(x) = value', ['x' => new ValueList($crossings, $unit)],
            marks: array_map(static fn (float $at): Mark => Mark::point($at, $height->value, ''), $crossings),
            explanation: new Explanation(Mathematics::at(Mathematics::symbol($inputs->column('x')->name), Mathematics::equals(Mathematics::symbol($inputs->column('y')->name), Mathematics::value($height)))));
    }
}
