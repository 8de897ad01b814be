<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

/** Whether a jump of a titration curve without noise stands out: what can be asked of readings, told from the truth alone. */
final class Standing
{
    /** A jump flatter than this lies away from its equivalence point, by more than 2 % of the volume. */
    private const LEAST_SHARE = 0.35;

    /** The steepest difference lies within so many steps of the equivalence point. */
    private const NEAR = 2;

    /**
     * By how many standard deviations of a difference between two readings a jump is steeper than what lies on both its sides.
     *
     * @param  list<float>  $volumes  mL, rising, in even steps
     * @param  list<float>  $ph  without noise, rising
     * @param  float  $noise  standard deviation of one reading
     * @return float 0 where it is not steeper, or by less than a third of its own slope
     */
    public static function at(float $equivalence, array $volumes, array $ph, float $noise): float
    {
        $step = $volumes[1] - $volumes[0];
        $rises = [];
        for ($i = 1; $i < count($ph); $i++) {
            $rises[] = $ph[$i] - $ph[$i - 1];
        }
        $here = (int) floor($equivalence / $step);
        $top = null;
        for ($i = max(1, $here - self::NEAR); $i <= min(count($rises) - 2, $here + self::NEAR); $i++) {
            $isTop = $rises[$i] >= $rises[$i - 1] && $rises[$i] >= $rises[$i + 1];
            $top = $isTop && ($top === null || $rises[$i] > $rises[$top]) ? $i : $top;
        }
        if ($top === null) {
            return 0.0;
        }
        $saddle = max(self::least($rises, $top, -1), self::least($rises, $top, 1));
        $excess = $rises[$top] - $saddle;

        return $excess < self::LEAST_SHARE * $rises[$top] ? 0.0 : $excess / (M_SQRT2 * $noise);
    }

    /** @param  list<float>  $rises */
    private static function least(array $rises, int $top, int $side): float
    {
        $least = $rises[$top];
        for ($i = $top + $side; isset($rises[$i]) && $rises[$i] <= $rises[$top]; $i += $side) {
            $least = min($least, $rises[$i]);
        }

        return $least;
    }
}
