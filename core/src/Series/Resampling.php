<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;

/** The same run at other places of x. */
final class Resampling
{
    private const MOST = 1_000_000;

    /**
     * Points in even steps from the first x on, read on the straight lines between the points.
     *
     * @throws InvalidQuantity If the step is not above zero or makes more than a million points.
     */
    public static function even(Series $series, float $step): Series
    {
        if (is_nan($step) || $step <= 0.0) {
            throw InvalidQuantity::mustBePositive('step', $step, '');
        }
        $n = $series->count();
        if ($n < 2) {
            return $series;
        }
        $count = (int) floor(($series->x[$n - 1] - $series->x[0]) / $step * (1.0 + 1e-12)) + 1;
        if ($count > self::MOST) {
            throw new InvalidQuantity("This step makes {$count} points; at most ".self::MOST.' fit. Take a larger step.');
        }
        $x = [];
        $y = [];
        $k = 1;
        for ($i = 0; $i < $count; $i++) {
            $at = min($series->x[$n - 1], $series->x[0] + $i * $step);
            while ($k < $n - 1 && $series->x[$k] < $at) {
                $k++;
            }
            $share = ($at - $series->x[$k - 1]) / ($series->x[$k] - $series->x[$k - 1]);
            $x[] = $at;
            $y[] = $series->y[$k - 1] + $share * ($series->y[$k] - $series->y[$k - 1]);
        }

        return Series::of($x, $y);
    }
}
