<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\QrDecomposition;
use Welkion\Core\Uncertainty\BetaDistribution;
use Welkion\Core\Uncertainty\Sums;

/**
 * Whether each residual is like the one before, as in a wave about the curve: the ratio of Durbin and Watson, with the mean and the
 * variance it has for random residuals of the very curve (Biometrika 37, 1950, 409, and 38, 1951, 159; the beta distribution of the
 * same mean and variance between 0 and 4 stands in for the exact one).
 *
 * @internal used by Residuals
 */
final class NeighbouringResiduals
{
    /** The ratio lies between 0 and this. */
    private const MOST = 4.0;

    /** Of more points what a curve can follow changes the mean of the ratio by less than a twentieth of its spread. */
    private const EXACT = 500;

    /**
     * Chance of residuals so like their neighbours, or more so.
     *
     * @param  list<float>  $residuals  in order of x
     * @param  list<list<float>>  $slopes  of the curve by each constant, in the same order
     */
    public static function probability(array $residuals, array $slopes): float
    {
        $squares = 0.0;
        $steps = 0.0;
        $before = null;
        foreach ($residuals as $residual) {
            $squares += $residual * $residual;
            $steps += $before === null ? 0.0 : ($residual - $before) ** 2;
            $before = $residual;
        }

        return $squares > 0.0 ? self::probabilityBelow($steps / $squares, count($residuals), $slopes) : 1.0;
    }

    /**
     * Chance of a ratio below this one.
     *
     * @param  float  $ratio  squares of the steps from one residual to the next by squares of the residuals
     * @param  list<list<float>>  $slopes
     */
    public static function probabilityBelow(float $ratio, int $n, array $slopes): float
    {
        $degrees = $n - count($slopes);
        if ($degrees < 2) {
            return 1.0;
        }
        // Traces of the matrix of steps and of its square, less what the curve follows of them.
        [$followed, $squareFollowed] = $n > self::EXACT ? [0.0, 0.0] : self::followed($slopes);
        $trace = 2.0 * ($n - 1) - $followed;
        $mean = $trace / $degrees;
        $variance = 2.0 * (2.0 * (3.0 * $n - 4.0) - $squareFollowed - $trace * $mean) / ($degrees * ($degrees + 2.0));
        [$share, $spread] = [$mean / self::MOST, $variance / self::MOST ** 2];
        if ($spread <= 0.0 || $share <= 0.0 || $share >= 1.0) {
            return 1.0;
        }
        $both = $share * (1.0 - $share) / $spread - 1.0;

        return $both > 0.0 ? BetaDistribution::probabilityBelow($ratio / self::MOST, $share * $both, (1.0 - $share) * $both) : 1.0;
    }

    /**
     * With the columns Q at right angles that span the slopes, and A the matrix of steps: the trace of Q'AQ, and that of 2 Q'AAQ − (Q'AQ)².
     *
     * @param  list<list<float>>  $slopes
     * @return array{float, float}
     */
    private static function followed(array $slopes): array
    {
        $qr = new QrDecomposition($slopes);
        $steps = [];
        [$trace, $square] = [0.0, 0.0];
        foreach ($slopes as $k => $slope) {
            $unit = array_map(static fn (int $i): float => $i === $k ? 1.0 : 0.0, array_keys($slope));
            $steps[] = self::steps($qr->rotatedBack($unit));
            // A = D'D, where D takes the steps; so Aq is D'(Dq).
            $square += 2.0 * Sums::squares(self::steps([0.0, ...$steps[$k], 0.0]));
        }
        foreach ($steps as $j => $one) {
            $trace += Sums::squares($one);
            foreach ($steps as $other) {
                $square -= self::product($one, $other) ** 2;
            }
        }

        return [$trace, $square];
    }

    /**
     * @param  list<float>  $values
     * @return list<float> from each to the next
     */
    private static function steps(array $values): array
    {
        $steps = [];
        for ($i = 1, $n = count($values); $i < $n; $i++) {
            $steps[] = $values[$i] - $values[$i - 1];
        }

        return $steps;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b  same length
     */
    private static function product(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
