<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/** The middle of values, and how far they scatter about it; neither is moved by a few wild ones. */
final class Median
{
    /** Turns a median absolute deviation into the standard deviation of a normal distribution. */
    private const TO_SD = 1.482602218505602;

    /** @param  list<float>  $values  at least one */
    public static function of(array $values): float
    {
        sort($values);
        $half = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$half] : ($values[$half - 1] + $values[$half]) / 2.0;
    }

    /**
     * Standard deviation of a normal distribution with the same median distance from the median (Huber, Robust
     * Statistics, 1981, 5.1).
     *
     * @param  list<float>  $values  at least one
     */
    public static function deviation(array $values): float
    {
        $middle = self::of($values);

        return self::TO_SD * self::of(array_map(static fn (float $v): float => abs($v - $middle), $values));
    }
}
