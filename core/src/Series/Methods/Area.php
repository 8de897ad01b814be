<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Series\Baseline;
use Welkion\Core\Series\Series;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** Area between a run and a baseline. */
final readonly class Area implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'area', 'Area', 'The area between the points and a baseline: zero, the height of the first point, the line between the ends, or a level you type.',
            'Trapezoidal rule (any textbook of numerical analysis).',
            [Slot::column('x', 'x'), Slot::column('y', 'y'), Slot::text('baseline', 'Down to: zero, first, ends, or a level', default: 'zero')],
            ['area' => 'Area'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $series = Points::of($inputs);
        $baseline = $inputs->text('baseline') ?? 'zero';
        $area = match (true) {
            $baseline === 'zero' => $series->area(),
            $baseline === 'first' => $series->area(Baseline::FirstPoint),
            $baseline === 'ends' => $series->area(Baseline::Ends),
            is_numeric($baseline) => self::lowered($series, (float) $baseline)->area(),
            default => throw new InvalidQuantity("The baseline is zero, first, ends or a number, but \"{$baseline}\" was given."),
        };
        $unit = $inputs->column('y')->unit->difference()->times($inputs->column('x')->unit->difference());

        return Outcome::of(['area' => Measured::of($area, self::error($inputs), $unit, $inputs->source("scatter of {$inputs->column('y')->name}"))->in($unit->simplified())], '∫ y dx',
            explanation: new Explanation(Mathematics::integral(Mathematics::symbol($inputs->column('y')->name), Mathematics::symbol($inputs->column('x')->name))));
    }

    /** What the scatter of the rows leaves of the area: each counts over half the way to both its neighbours. */
    private static function error(Inputs $inputs): float
    {
        $scatter = $inputs->column('y')->scatter;
        if ($scatter === null) {
            return 0.0;
        }
        $x = $inputs->column('x')->values;
        asort($x);
        $order = array_keys($x);
        $sum = 0.0;
        foreach ($order as $i => $row) {
            $width = ($x[$order[$i + 1] ?? $row] - $x[$order[$i - 1] ?? $row]) / 2.0;
            $sum = hypot($sum, $width * $scatter[$row]);
        }

        return $sum;
    }

    private static function lowered(Series $series, float $level): Series
    {
        return Series::of($series->x, array_map(static fn (float $y): float => $y - $level, $series->y));
    }
}
