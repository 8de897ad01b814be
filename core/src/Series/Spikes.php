<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Median;

/** Single samples far from all their neighbours: a bumped probe, a loose plug. */
final class Spikes
{
    /**
     * Indices of samples further from the median of their window than so many of its robust standard deviations
     * (Hampel's identifier; Davies and Gather, J. Am. Stat. Assoc. 88, 1993).
     *
     * @param  list<float>  $y
     * @param  int  $window  samples, odd, with the one in question in its middle
     * @param  float  $least  distances below this are never a spike: the resolution of the probe
     * @return list<int>
     *
     * @throws InvalidQuantity If the window is even or too small.
     */
    public static function in(array $y, int $window = 11, float $deviations = 6.0, float $least = 0.0): array
    {
        if ($window < 5 || $window % 2 === 0) {
            throw new InvalidQuantity("A window of {$window} samples cannot tell a spike. Take an odd number from 5 on.");
        }
        $half = intdiv($window, 2);
        $n = count($y);
        $found = [];
        for ($i = 0; $i < $n; $i++) {
            $from = max(0, min($n - $window, $i - $half));
            $around = array_slice($y, $from, $window);
            $distance = abs($y[$i] - Median::of($around));
            if ($distance > $least && $distance > $deviations * Median::deviation($around)) {
                $found[] = $i;
            }
        }

        return $found;
    }
}
