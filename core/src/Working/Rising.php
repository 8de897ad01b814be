<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** Numbers that go up from each to the next, as the x of most runs: what lies within ends is found without looking at all of them. */
final class Rising
{
    /**
     * Whether each is a number larger than the one before.
     *
     * @param  list<float>  $values
     */
    public static function is(array $values): bool
    {
        for ($i = 1, $n = count($values); $i < $n; $i++) {
            if ($values[$i] > $values[$i - 1]) {
                continue;
            }

            return false;
        }

        return $values === [] || (is_finite($values[0]) && is_finite($values[count($values) - 1]));
    }

    /**
     * @param  list<float>  $values  rising
     * @return array{int, int} place of the first that is not below the lower end, and how many there are from it up to the upper end
     */
    public static function within(array $values, float $from, float $to): array
    {
        $first = self::below($values, static fn (float $value): bool => $value < $from);

        return [$first, max(0, self::below($values, static fn (float $value): bool => $value <= $to) - $first)];
    }

    /**
     * @param  list<float>  $values  those that are below first
     * @param  callable(float): bool  $isBelow
     */
    private static function below(array $values, callable $isBelow): int
    {
        [$low, $high] = [0, count($values)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $isBelow($values[$middle]) ? $low = $middle + 1 : $high = $middle;
        }

        return $low;
    }
}
