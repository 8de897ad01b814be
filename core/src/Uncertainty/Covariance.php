<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/**
 * Splits a covariance into independent parts.
 *
 * @internal used by Measured and by calibration lines
 */
final class Covariance
{
    /** What is left of a variance below this share of it is rounding, not a part of its own. */
    private const ROUNDING = 1e-12;

    /**
     * L with L times its transpose = the covariance (Cholesky), row by row; a constant that depends wholly on those before
     * it has no part of its own.
     *
     * @param  list<list<float>>  $covariance  symmetric
     * @return list<list<float>> row i has i + 1 amounts
     */
    public static function halves(array $covariance): array
    {
        $rows = [];
        foreach ($covariance as $i => $row) {
            $half = [];
            for ($j = 0; $j < $i; $j++) {
                $sum = $row[$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $half[$k] * $rows[$j][$k];
                }
                $half[] = $rows[$j][$j] === 0.0 ? 0.0 : $sum / $rows[$j][$j];
            }
            $left = $row[$i] - array_sum(array_map(static fn (float $h): float => $h * $h, $half));
            $half[] = $left <= self::ROUNDING * abs($row[$i]) ? 0.0 : sqrt($left);
            $rows[] = $half;
        }

        return $rows;
    }
}
