<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Series\Derivative;
use Welkion\Core\Series\Running;
use Welkion\Core\Series\Series;

/**
 * Functions that look at neighbouring rows. All give a column of the same length; where a row has no result
 * it is NAN. Rows with a blank cell are passed over, so that the next one looks back to the last good row.
 * Derivatives see the rows in order of x, with rows of the same x averaged.
 *
 * @internal used by Functions alone
 */
final class RowFunctions
{
    /**
     * Change from the row before; the first has none.
     *
     * @param  list<float>  $y
     * @return list<float>
     */
    public static function difference(array $y): array
    {
        $result = [];
        $last = NAN;
        foreach ($y as $v) {
            $result[] = $v - $last;
            $last = is_nan($v) ? $last : $v;
        }

        return $result;
    }

    /**
     * dy/dx at every row.
     *
     * @param  list<float>  $y
     * @param  list<float>  $x
     * @return list<float>
     */
    public static function derivative(array $y, array $x): array
    {
        return self::overGoodRows($y, $x, Derivative::first(...));
    }

    /**
     * d²y/dx² at every row.
     *
     * @param  list<float>  $y
     * @param  list<float>  $x
     * @return list<float>
     */
    public static function secondDerivative(array $y, array $x): array
    {
        return self::overGoodRows($y, $x, Derivative::second(...));
    }

    /**
     * Mean of the rows around, over a window of this many rows (an even one takes the next odd number); shorter
     * at the ends.
     *
     * @param  list<float>  $y
     * @return list<float>
     */
    public static function runningMean(array $y, int $window): array
    {
        return Running::mean($y, max(1, $window) | 1);
    }

    /**
     * Area under y from the first row on, by trapezoids.
     *
     * @param  list<float>  $y
     * @param  list<float>  $x
     * @return list<float>
     */
    public static function area(array $y, array $x): array
    {
        $result = [];
        $sum = 0.0;
        $last = null;
        foreach ($y as $i => $v) {
            if (is_nan($v) || is_nan($x[$i])) {
                $result[] = NAN;

                continue;
            }
            if ($last !== null) {
                $sum += ($x[$i] - $x[$last]) * ($v + $y[$last]) / 2.0;
            }
            $result[] = $sum;
            $last = $i;
        }

        return $result;
    }

    /**
     * The value this many rows earlier (later, if negative).
     *
     * @param  list<float>  $y
     * @return list<float>
     */
    public static function shift(array $y, int $rows): array
    {
        $result = [];
        foreach (array_keys($y) as $i) {
            $result[] = $y[$i - $rows] ?? NAN;
        }

        return $result;
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>  $x
     * @param  callable(Series): list<float>  $derivative
     * @return list<float> NAN in rows with a blank cell, and everywhere if fewer than three rows are good
     */
    private static function overGoodRows(array $y, array $x, callable $derivative): array
    {
        $byX = [];
        foreach ($y as $row => $value) {
            if (is_finite($value) && is_finite($x[$row])) {
                $byX[json_encode($x[$row])][] = $row;
            }
        }
        $result = array_fill(0, count($y), NAN);
        $rows = array_map(static fn (array $same): int => $same[0], $byX);
        if (count($rows) < 3) {
            return $result;
        }
        $good = array_merge(...array_values($byX));
        $series = Series::of(array_map(static fn (int $row): float => $x[$row], $good), array_map(static fn (int $row): float => $y[$row], $good));
        $slopes = $derivative($series);
        foreach ($series->x as $i => $at) {
            foreach ($byX[json_encode($at)] ?? [] as $row) {
                $result[$row] = $slopes[$i];
            }
        }

        return array_values($result);
    }
}
