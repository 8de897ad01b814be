<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/** The middle of values, and how far they scatter about it; neither is moved by a few wild ones. */
final class Median
{
    /** Turns a median absolute deviation into the standard deviation of a normal distribution. */
    private const TO_SD = 1.482602218505602;

    /** Of more values the middle one is looked for, which takes a sixth of the time of sorting them. */
    private const SORTED = 1000;

    /** @param  list<float>  $values  at least one */
    public static function of(array $values): float
    {
        $half = intdiv(count($values), 2);
        $isOdd = count($values) % 2 === 1;
        if (count($values) <= self::SORTED) {
            sort($values);

            return $isOdd ? $values[$half] : ($values[$half - 1] + $values[$half]) / 2.0;
        }
        $values = self::partedAt($half, $values);
        // The one before it is the largest of the smaller ones.
        $smaller = $isOdd ? [] : array_slice($values, 0, $half);

        return $smaller === [] ? $values[$half] : (max($smaller) + $values[$half]) / 2.0;
    }

    /**
     * The values moved so that at a place stands what would stand there if they were sorted, with none larger before it (Hoare,
     * Communications of the ACM 4, 1961, algorithms 63 and 65, with the middle of three values to part them by).
     *
     * @param  array<int, float>  $values  from 0
     * @return array<int, float>
     */
    private static function partedAt(int $place, array $values): array
    {
        [$from, $to] = [0, count($values) - 1];
        while ($from < $to) {
            $three = [$values[$from], $values[intdiv($from + $to, 2)], $values[$to]];
            sort($three);
            $parting = $three[1];
            [$i, $j] = [$from, $to];
            while ($i <= $j) {
                while ($values[$i] < $parting) {
                    $i++;
                }
                while ($values[$j] > $parting) {
                    $j--;
                }
                if ($i <= $j) {
                    $value = $values[$i];
                    $values[$i++] = $values[$j];
                    $values[$j--] = $value;
                }
            }
            $to = $place < $i ? $j : $to;
            $from = $place > $j ? $i : $from;
        }

        return $values;
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
