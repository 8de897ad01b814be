<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Linear\StraightLine;

/** From when on a run no longer changes. */
final class SteadyState
{
    /**
     * The first x from which the rest of the run drifts and scatters less than the limits; null if it never settles
     * or settles for less than the window.
     *
     * @param  float  $window  shortest stretch that counts, in the unit of x
     * @param  float  $drift  largest change of y over the window
     * @param  float  $scatter  largest standard deviation about its line
     */
    public static function from(Series $series, float $window, float $drift, float $scatter): ?float
    {
        $n = $series->count();
        $found = null;
        // From the end backwards: the run is steady as long as the window that begins here is.
        for ($i = $n - 3, $to = $n - 1; $i >= 0; $i--) {
            while ($to > $i + 2 && $window <= $series->x[$to - 1] - $series->x[$i]) {
                $to--;
            }
            if ($window > $series->x[$to] - $series->x[$i]) {
                continue;
            }
            $line = StraightLine::through(array_slice($series->x, $i, $to - $i + 1), array_slice($series->y, $i, $to - $i + 1));
            if (abs($line->slope) * $window > $drift || $line->scatter > $scatter) {
                break;
            }
            $found = $series->x[$i];
        }

        return $found;
    }
}
