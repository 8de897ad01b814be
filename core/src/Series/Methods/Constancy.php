<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** Watches what should stay the same: how far a column has gone from its first value. */
final readonly class Constancy implements Method
{
    private const FORMULA = 'y − y(first)';

    public function declaration(): Declaration
    {
        return new Declaration(
            'constancy', 'Stays the same', 'How far a column has gone from its first value at most; said when that is further than it may.',
            'A fair comparison changes one thing at a time (any textbook of school experiments).',
            [Slot::column('y', 'What should stay the same'), Slot::number('within', 'How far it may go, up or down', 'y')],
            ['departure' => 'Departure from the first value'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $y = $inputs->column('y');
        $asked = $inputs->number('within');
        // It is a difference: half a kelvin is half a degree.
        $within = abs($asked->unit->difference()->convertDifference($asked->value, $y->unit->difference()));
        $explanation = new Explanation(Mathematics::minus(Mathematics::symbol($y->name), Mathematics::at(Mathematics::symbol($y->name), Mathematics::words('first'))));
        if ($y->values === []) {
            return Outcome::needs('There is no reading yet.', self::FORMULA, $explanation);
        }
        $furthest = 0;
        $beyond = 0;
        foreach ($y->values as $row => $value) {
            $beyond += abs($value - $y->values[0]) > $within ? 1 : 0;
            $furthest = abs($value - $y->values[0]) > abs($y->values[$furthest] - $y->values[0]) ? $row : $furthest;
        }
        $departure = $y->values[$furthest] - $y->values[0];
        // What the calibration does to both alike is no departure.
        $uncertainty = $furthest === 0 ? 0.0 : hypot($y->scatter[0] ?? 0.0, $y->scatter[$furthest] ?? 0.0);

        return Outcome::of(
            ['departure' => Measured::of($departure, $uncertainty, $y->unit->difference(), $inputs->source("scatter of {$y->name}"))], self::FORMULA,
            warnings: $beyond === 0 ? [] : [self::warning($y->name, $departure, $uncertainty, $y->unit->symbol, $beyond, count($y->values))], explanation: $explanation,
        );
    }

    private static function warning(string $name, float $departure, float $uncertainty, string $unit, int $beyond, int $count): Warning
    {
        // Two digits say how far it went; fewer if it is not known so well.
        $decimals = max(0, min(Digits::decimalsFor(max($uncertainty, abs($departure))), 6));
        $far = trim(number_format(abs($departure), $decimals).' '.$unit);
        $readings = $beyond === 1 ? 'one reading lies' : "{$beyond} readings lie";

        return new Warning(
            'not-constant', "{$name} did not stay the same.",
            ($departure > 0.0 ? 'It rose' : 'It fell')." by up to {$far} since the first of {$count} readings; {$readings} further from it than a fair comparison allows. Wait until it has come back, and take them again.",
        );
    }
}
