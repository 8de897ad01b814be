<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Linear\LeastSquares;

/** Slopes and curvatures at the points themselves, for steps of any size. */
final class Derivative
{
    /**
     * dy/dx at every point by the parabola through it and its two neighbours; at the ends by the last three points
     * (Burden and Faires, Numerical Analysis, 10th edition, 4.1). Exact for parabolas.
     *
     * @return list<float> in the unit of y per unit of x
     *
     * @throws NotEnoughPoints If there are fewer than three points.
     */
    public static function first(Series $series): array
    {
        return self::ofParabola($series, static fn (float $h1, float $h2, float $s1, float $s2, int $side): float => match ($side) {
            -1 => $s1 + ($s1 - $s2) * $h1 / ($h1 + $h2),
            1 => $s2 + ($s2 - $s1) * $h2 / ($h1 + $h2),
            default => ($s1 * $h2 + $s2 * $h1) / ($h1 + $h2),
        });
    }

    /**
     * d²y/dx² at every point by the same parabolas.
     *
     * @return list<float> in the unit of y per squared unit of x
     *
     * @throws NotEnoughPoints If there are fewer than three points.
     */
    public static function second(Series $series): array
    {
        return self::ofParabola($series, static fn (float $h1, float $h2, float $s1, float $s2): float => 2.0 * ($s2 - $s1) / ($h1 + $h2));
    }

    /**
     * The derivative of a polynomial fitted to the nearest points: less noise than three points leave, for uneven
     * steps (local regression without weights; Fan and Gijbels, Local Polynomial Modelling, 1996, 3.1).
     *
     * @param  int  $window  points the polynomial is fitted to
     * @param  int  $degree  of the polynomial, below the window
     * @param  int  $order  0 smooths, 1 is the slope, 2 the curvature; at most the degree
     * @return list<float>
     *
     * @throws NotEnoughPoints If there are fewer points than the window.
     * @throws InvalidQuantity If window, degree and order do not go together.
     */
    public static function local(Series $series, int $window, int $degree, int $order): array
    {
        if ($degree < 1 || $window <= $degree || $order < 0 || $order > $degree) {
            throw new InvalidQuantity("A window of {$window} points, a polynomial of degree {$degree} and a derivative of order {$order} do not go together. Take a window above the degree, and an order up to it.");
        }
        $n = $series->count();
        if ($n < $window) {
            throw NotEnoughPoints::need('This derivative', $window, $n);
        }
        $result = [];
        $from = 0;
        foreach ($series->x as $i => $at) {
            // The nearest points are a stretch that moves on with i.
            while ($from + $window < $n && $at - $series->x[$from] > $series->x[$from + $window] - $at) {
                $from++;
            }
            $distances = array_map(static fn (float $v): float => $v - $at, array_slice($series->x, $from, $window));
            $scale = max(1e-300, ...array_map(abs(...), $distances));
            $columns = [];
            for ($k = 0; $k <= $degree; $k++) {
                $columns[] = array_map(static fn (float $d): float => ($d / $scale) ** $k, $distances);
            }
            $fit = LeastSquares::solve($columns, array_slice($series->y, $from, $window));
            $factor = $order === 2 ? 2.0 : array_product(range(1, max(1, $order)));
            $result[$i] = $fit === null ? NAN : $factor * $fit->constants[$order] / $scale ** $order;
        }

        return array_values($result);
    }

    /**
     * @param  callable(float, float, float, float, int): float  $result  of both steps, both slopes, and the side of
     *                                                                    the parabola the point stands on
     * @return list<float>
     */
    private static function ofParabola(Series $series, callable $result): array
    {
        [$x, $y, $last] = [$series->x, $series->y, $series->count() - 1];
        if ($last < 2) {
            throw NotEnoughPoints::need('A derivative', 3, $last + 1);
        }
        $derivative = [];
        for ($i = 0; $i <= $last; $i++) {
            $m = max(1, min($last - 1, $i));
            [$h1, $h2] = [$x[$m] - $x[$m - 1], $x[$m + 1] - $x[$m]];
            $derivative[] = $result($h1, $h2, ($y[$m] - $y[$m - 1]) / $h1, ($y[$m + 1] - $y[$m]) / $h2, $i <=> $m);
        }

        return $derivative;
    }
}
