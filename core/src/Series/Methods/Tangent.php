<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Linear\LeastSquares;
use Welkion\Core\Series\Series;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/**
 * How fast y changes at one x: the slope of a cubic through the points around it, as many as still show no cubic term.
 *
 * Local polynomial regression (Fan and Gijbels, Local Polynomial Modelling and Its Applications, 1996, chapter 3): of few points scatter
 * makes the slope uncertain, of many the curve does; where a cubic term begins to show, the curve would. The slope is taken
 * with that term in it, so that its ± tells of both.
 */
final readonly class Tangent implements Method
{
    /** A cubic leaves one point to judge by. */
    private const FEWEST = 5;

    private const GROWTH = 1.25;

    /** A term that is twice its standard uncertainty shows. */
    private const SHOWS = 2.0;

    public function declaration(): Declaration
    {
        return new Declaration(
            'tangent', 'Tangent', 'How fast y changes at one x: the slope of the curve there, from as many points around it as are no more than a parabola.',
            'Local polynomial regression (Fan and Gijbels, Local Polynomial Modelling and Its Applications, 1996, chapter 3).',
            [Slot::column('x', 'x'), Slot::column('y', 'y'), Slot::number('at', 'At which x', 'x')],
            ['slope' => 'Slope', 'y' => 'Value there'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $at = $inputs->number('at')->in($x->unit)->value;
        $points = Points::of($inputs);
        $explanation = new Explanation(Mathematics::over(Mathematics::symbol("d{$y->name}"), Mathematics::symbol("d{$x->name}")));
        $needs = match (true) {
            $points->count() < self::FEWEST => 'A tangent needs at least '.self::FEWEST.' different x, there are '.$points->count().'. Take more points.',
            $at < $points->x[0] || $at > $points->x[$points->count() - 1] => 'This x lies outside of the points. Choose one between the first and the last.',
            default => null,
        };
        if ($needs !== null) {
            return Outcome::needs($needs, 'slope at x', $explanation);
        }
        [$cubic, $variance, $from, $to] = self::around($points, $at);
        $perX = $y->unit->difference()->per($x->unit->difference());
        $gram = $cubic->inverseGram;
        $covariance = [[$gram[1][1] * $variance, $gram[1][0] * $variance], [$gram[0][1] * $variance, $gram[0][0] * $variance]];
        [$slope, $value] = Measured::jointly([$cubic->constants[1], $cubic->constants[0]], $covariance, [$perX, $y->unit], $inputs->source("scatter of {$y->name} around ".json_encode($at)));
        $ends = array_map(static fn (float $end): float => $value->value + $slope->value * ($end - $at), [$from, $to]);

        return Outcome::of(['slope' => $slope->in($perX->simplified()), 'y' => $value], 'slope at x', marks: [Mark::curve([$from, $to], $ends, 'slope'), Mark::point($at, $value->value, '')], explanation: $explanation);
    }

    /**
     * @param  Series  $points  at least FEWEST
     * @return array{LeastSquares, float, float, float} the cubic in x − at, the variance of a point about it, and from where to where it goes
     */
    private static function around(Series $points, float $at): array
    {
        $all = $points->count();
        $best = null;
        for ($count = self::FEWEST; ; $count = min($all, (int) ceil($count * self::GROWTH))) {
            [$first, $last] = self::nearest($points->x, $at, $count);
            $made = self::cubic($points, $at, $first, $last);
            if ($made !== null) {
                [$fit, $variance, $shows] = $made;
                if ($best !== null && $shows) {
                    return $best;
                }
                $best = [$fit, $variance, $points->x[$first], $points->x[$last]];
            }
            if ($count === $all) {
                return $best ?? throw new \LogicException('Different x determine a cubic.');
            }
        }
    }

    /**
     * @return array{LeastSquares, float, bool}|null the cubic, the variance of a point about it, and whether its cubic term shows
     */
    private static function cubic(Series $points, float $at, int $first, int $last): ?array
    {
        $columns = [[], [], [], []];
        for ($i = $first; $i <= $last; $i++) {
            $u = $points->x[$i] - $at;
            foreach ([1.0, $u, $u * $u, $u * $u * $u] as $power => $value) {
                $columns[$power][] = $value;
            }
        }
        $fit = LeastSquares::solve($columns, array_slice($points->y, $first, $last - $first + 1), isRefined: false);
        if ($fit === null) {
            return null;
        }
        $variance = $fit->residualSumOfSquares / ($last - $first - 3);

        return [$fit, $variance, abs($fit->constants[3]) > self::SHOWS * sqrt($variance * $fit->inverseGram[3][3])];
    }

    /**
     * @param  list<float>  $x  rising
     * @return array{int, int} first and last of so many that are nearest
     */
    private static function nearest(array $x, float $at, int $count): array
    {
        $first = 0;
        $last = count($x) - 1;
        while ($last - $first + 1 > $count) {
            $at - $x[$first] < $x[$last] - $at ? $last-- : $first++;
        }

        return [$first, $last];
    }
}
