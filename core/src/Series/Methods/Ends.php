<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** Where y begins and ends along x: its first and last point, which need not be its smallest and largest. */
final readonly class Ends implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'ends', 'Start, end and change', 'The values of the first and the last point along x, and how far y goes between them.', 'Difference of two readings.',
            [Slot::column('x', 'x'), Slot::column('y', 'y')],
            ['change' => 'Change of y', 'start' => 'Start', 'end' => 'End', 'over' => 'Change of x'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        if (count($x->values) < 2) {
            throw NotEnoughPoints::need('A change from start to end', 2, count($x->values));
        }
        [$first, $last] = $x->isRising() ? [0, count($x->values) - 1] : self::ends($x->values);
        $value = static fn (ColumnInput $of, int $row, string $which): Measured => Measured::of($of->values[$row], $of->scatter[$row] ?? 0.0, $of->unit, $inputs->source("{$which} of {$of->name}"));
        [$start, $end] = [$value($y, $first, 'start'), $value($y, $last, 'end')];
        $over = $value($x, $last, 'end')->minus($value($x, $first, 'start'));
        $name = Mathematics::symbol($y->name);

        return Outcome::of(
            ['change' => $end->minus($start)->in($y->unit->difference()), 'start' => $start, 'end' => $end, 'over' => $over->in($x->unit->difference())], 'y(end) − y(start)',
            marks: [Mark::point($x->values[$first], $start->value, 'start'), Mark::point($x->values[$last], $end->value, 'end')],
            explanation: new Explanation(
                Mathematics::minus(Mathematics::at($name, Mathematics::symbol('end')), Mathematics::at($name, Mathematics::symbol('start'))),
                Mathematics::minus(Mathematics::value($end), Mathematics::value($start)),
            ),
        );
    }

    /**
     * @param  list<float>  $x  at least one
     * @return array{int, int} places of the smallest, the first of them, and of the largest, the last of them
     */
    private static function ends(array $x): array
    {
        [$first, $last] = [0, 0];
        foreach ($x as $place => $value) {
            $first = $value < $x[$first] ? $place : $first;
            $last = $value >= $x[$last] ? $place : $last;
        }

        return [$first, $last];
    }
}
