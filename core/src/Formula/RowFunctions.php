<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

/**
 * Functions that look at neighbouring rows. All give a column of the same length; where a row has no result
 * it is NAN. Rows with a blank cell are passed over, so that the next one looks back to the last good row.
 *
 * Derivatives of uneven steps use three points: the parabola through a row and its two neighbours (Burden and
 * Faires, Numerical Analysis, 10th edition, 4.1).
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
        return self::ofParabola($y, $x, static fn (float $h1, float $h2, float $s1, float $s2, int $side): float => match ($side) {
            -1 => $s1 + ($s1 - $s2) * $h1 / ($h1 + $h2),
            1 => $s2 + ($s2 - $s1) * $h2 / ($h1 + $h2),
            default => ($s1 * $h2 + $s2 * $h1) / ($h1 + $h2),
        });
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
        return self::ofParabola($y, $x, static fn (float $h1, float $h2, float $s1, float $s2): float => 2.0 * ($s2 - $s1) / ($h1 + $h2));
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
        $half = max(0, intdiv($window, 2));
        $sums = [0.0];
        $counts = [0];
        foreach ($y as $v) {
            $isBlank = is_nan($v);
            $sums[] = $sums[count($sums) - 1] + ($isBlank ? 0.0 : $v);
            $counts[] = $counts[count($counts) - 1] + ($isBlank ? 0 : 1);
        }
        $result = [];
        $n = count($y);
        foreach ($y as $i => $v) {
            $from = max(0, $i - $half);
            $to = min($n, $i + $half + 1);
            $result[] = is_nan($v) ? NAN : ($sums[$to] - $sums[$from]) / ($counts[$to] - $counts[$from]);
        }

        return $result;
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
     * @param  callable(float, float, float, float, int): float  $result  of the two steps, the two slopes and the side of the row
     * @return list<float>
     */
    private static function ofParabola(array $y, array $x, callable $result): array
    {
        $good = array_keys(array_filter($y, static fn (float $v, int $i): bool => is_finite($v) && is_finite($x[$i]), ARRAY_FILTER_USE_BOTH));
        $derivative = array_fill(0, count($y), NAN);
        $last = count($good) - 1;
        if ($last < 2) {
            return $derivative;
        }
        foreach ($good as $k => $row) {
            $middle = max(1, min($last - 1, $k));
            [$a, $b, $c] = [$good[$middle - 1], $good[$middle], $good[$middle + 1]];
            [$h1, $h2] = [$x[$b] - $x[$a], $x[$c] - $x[$b]];
            if ($h1 === 0.0 || $h2 === 0.0 || $h1 + $h2 === 0.0) {
                continue;
            }
            $derivative[$row] = $result($h1, $h2, ($y[$b] - $y[$a]) / $h1, ($y[$c] - $y[$b]) / $h2, $k <=> $middle);
        }

        return array_values($derivative);
    }
}
