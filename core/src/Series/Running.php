<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Median;

/** Means and medians over a moving window of points, shorter at the ends. */
final class Running
{
    /**
     * @param  list<float>  $y  NAN for a blank, which is passed over
     * @param  int  $window  points, odd
     * @return list<float> as many; NAN where there is a blank
     *
     * @throws InvalidQuantity If the window is even or below 1.
     */
    public static function mean(array $y, int $window): array
    {
        $half = self::half($window);
        $sums = [0.0];
        $counts = [0];
        $sum = 0.0;
        $count = 0;
        foreach ($y as $value) {
            if (! is_nan($value)) {
                $sum += $value;
                $count++;
            }
            $sums[] = $sum;
            $counts[] = $count;
        }
        $n = count($y);
        $means = [];
        for ($i = 0; $i < $n; $i++) {
            $from = max(0, $i - $half);
            $to = min($n, $i + $half + 1);
            $means[] = is_nan($y[$i]) ? NAN : ($sums[$to] - $sums[$from]) / ($counts[$to] - $counts[$from]);
        }

        return $means;
    }

    /**
     * @param  list<float>  $y
     * @param  int  $window  points, odd
     * @return list<float> as many
     *
     * @throws InvalidQuantity If the window is even or below 1.
     */
    public static function median(array $y, int $window): array
    {
        $half = self::half($window);
        $n = count($y);
        $medians = [];
        for ($i = 0; $i < $n; $i++) {
            $from = max(0, $i - $half);
            $medians[] = Median::of(array_slice($y, $from, min($n, $i + $half + 1) - $from));
        }

        return $medians;
    }

    private static function half(int $window): int
    {
        if ($window < 1 || $window % 2 === 0) {
            throw new InvalidQuantity("A window of {$window} points has no middle. Take an odd number.");
        }

        return intdiv($window, 2);
    }
}
