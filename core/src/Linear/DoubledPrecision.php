<?php

declare(strict_types=1);

namespace Welkion\Core\Linear;

/**
 * Sums of products as if worked out with twice the digits of a double and rounded once.
 *
 * Error-free transformations: Dekker, Numerische Mathematik 18 (1971); Ogita, Rump and Oishi, SIAM J. Sci.
 * Comput. 26 (2005), algorithm Dot2.
 *
 * @internal used by LeastSquares alone
 */
final class DoubledPrecision
{
    /** 2^27 + 1 splits a double into two halves whose products are exact. */
    private const SPLITTER = 134217729.0;

    /**
     * y - r - (c1 f1 + c2 f2 + ...), row by row.
     *
     * @param  list<float>  $y
     * @param  list<float>  $r
     * @param  list<list<float>>  $columns
     * @param  list<float>  $constants
     * @return list<float>
     */
    public static function residuals(array $y, array $r, array $columns, array $constants): array
    {
        $result = [];
        foreach ($y as $i => $value) {
            $a = [];
            $b = [];
            foreach ($columns as $k => $column) {
                $a[] = -$constants[$k];
                $b[] = $column[$i];
            }
            $result[] = self::dot([$value, $r[$i], ...$a], [1.0, -1.0, ...$b]);
        }

        return $result;
    }

    /**
     * a1 b1 + a2 b2 + ...
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    public static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        $lost = 0.0;
        foreach ($a as $i => $x) {
            $y = $b[$i];
            $product = $x * $y;
            $t = self::SPLITTER * $x;
            $xHigh = $t - ($t - $x);
            $xLow = $x - $xHigh;
            $t = self::SPLITTER * $y;
            $yHigh = $t - ($t - $y);
            $yLow = $y - $yHigh;
            $lost += $xLow * $yLow - ((($product - $xHigh * $yHigh) - $xLow * $yHigh) - $xHigh * $yLow);
            $next = $sum + $product;
            $t = $next - $sum;
            $lost += ($sum - ($next - $t)) + ($product - $t);
            $sum = $next;
        }

        return $sum + $lost;
    }
}
