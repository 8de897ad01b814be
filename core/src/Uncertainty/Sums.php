<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/** Sums over columns: exact to the digits a plain loop would lose, and of squares. */
final class Sums
{
    /**
     * The sum with the rounding errors of every step added back (Neumaier, ZAMM 54, 1974; the error of a step without asking
     * which number is larger: Knuth, The Art of Computer Programming 2, 4.2.2, theorem B).
     *
     * @param  list<float>  $values
     */
    public static function exact(array $values): float
    {
        $sum = 0.0;
        $lost = 0.0;
        foreach ($values as $value) {
            $next = $sum + $value;
            $added = $next - $sum;
            $lost += ($sum - ($next - $added)) + ($value - $added);
            $sum = $next;
        }

        return is_finite($sum) ? $sum + $lost : $sum;
    }

    /** @param  list<float>  $values */
    public static function squares(array $values): float
    {
        $sum = 0.0;
        foreach ($values as $value) {
            $sum += $value * $value;
        }

        return $sum;
    }
}
