<?php

declare(strict_types=1);

namespace Welkion\Core\Linear;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;

/**
 * Constants c that make |y - (c1 f1 + c2 f2 + ...)| smallest, for any columns f.
 *
 * QR by Householder reflections, then iterative refinement of constants and residuals together with sums in
 * doubled precision (Björck, BIT 7, 1967, 257): polynomials of high degree keep their digits. Exact data give
 * residuals of exactly zero.
 */
final readonly class LeastSquares
{
    /** Columns whose directions differ by less than this cannot be told apart in doubles. */
    private const LEAST_INDEPENDENCE = 1e-13;

    /** Above this many cells the refinement would cost more than it mends; long columns are well conditioned. */
    private const MOST_REFINED_CELLS = 100_000;

    private const REFINEMENTS = 4;

    /**
     * @param  list<float>  $constants
     * @param  list<list<float>>  $inverseGram  (A^T W A)^-1; times the variance of a residual it is their covariance
     * @param  list<float>  $residuals  y less the fit, not weighted
     * @param  float  $residualSumOfSquares  weighted, if weights were given
     */
    private function __construct(
        public array $constants,
        public array $inverseGram,
        public array $residuals,
        public float $residualSumOfSquares,
    ) {
    }

    /**
     * @param  list<list<float>>  $columns
     * @param  list<float>  $y
     * @param  list<float>|null  $weights  1 / variance of each y, or anything proportional to it
     * @param  bool  $isRefined  whether the last digits matter; for a judgement they do not
     * @return self|null null if the columns do not determine the constants
     *
     * @throws UnequalLengths If columns differ in length.
     * @throws NotEnoughPoints If there are fewer points than constants.
     */
    public static function solve(array $columns, array $y, ?array $weights = null, bool $isRefined = true): ?self
    {
        $n = count($y);
        foreach ([...$columns, $weights ?? $y] as $column) {
            if (count($column) !== $n) {
                throw UnequalLengths::between(count($column), $n);
            }
        }
        if ($n < count($columns)) {
            throw NotEnoughPoints::need('This fit', count($columns), $n);
        }
        $a = $columns;
        $b = $y;
        if ($weights !== null) {
            $roots = array_map(sqrt(...), $weights);
            $a = array_map(static fn (array $column): array => Weighting::on($column, $roots), $columns);
            $b = Weighting::on($y, $roots);
        }
        $qr = new QrDecomposition($a);
        $triangle = Triangle::ofQr($qr);
        if (! $triangle->isIndependent(self::LEAST_INDEPENDENCE)) {
            return null;
        }
        $rotated = $qr->rotated($b);
        $constants = $triangle->solved($rotated);
        $residuals = self::plainResiduals($a, $b, $constants);
        if ($isRefined && $n * count($a) <= self::MOST_REFINED_CELLS) {
            [$constants, $residuals] = self::refined($qr, $triangle, $a, $b, $constants, $residuals);
        }
        $squares = 0.0;
        foreach ($residuals as $residual) {
            $squares += $residual * $residual;
        }

        return new self($constants, $triangle->inverseGram(), $weights === null ? $residuals : self::plainResiduals($columns, $y, $constants), $squares);
    }

    /**
     * Standard errors of the constants for a residual variance of RSS / (n - p); zero when n = p.
     *
     * @return list<float>
     */
    public function standardErrors(): array
    {
        $degrees = count($this->residuals) - count($this->constants);
        $variance = $degrees > 0 ? $this->residualSumOfSquares / $degrees : 0.0;

        return array_map(fn (int $k): float => sqrt($variance * $this->inverseGram[$k][$k]), array_keys($this->constants));
    }

    /**
     * @param  list<list<float>>  $a
     * @param  list<float>  $b
     * @param  list<float>  $constants
     * @param  list<float>  $residuals
     * @return array{list<float>, list<float>}
     */
    private static function refined(QrDecomposition $qr, Triangle $triangle, array $a, array $b, array $constants, array $residuals): array
    {
        $p = count($constants);
        $best = INF;
        for ($round = 0; $round < self::REFINEMENTS; $round++) {
            $f = DoubledPrecision::residuals($b, $residuals, $a, $constants);
            $g = array_map(static fn (array $column): float => -DoubledPrecision::dot($column, $residuals), $a);
            $z = $triangle->solvedTransposed($g);
            $c = $qr->rotated($f);
            $steps = $triangle->solved(array_map(static fn (int $k): float => $c[$k] - $z[$k], range(0, $p - 1)));
            $size = 0.0;
            foreach ($steps as $k => $step) {
                $size = max($size, abs($step) / max(abs($constants[$k]), 1e-300));
            }
            // Rounding alone is left once steps no longer shrink.
            if (! is_finite($size) || $size >= $best) {
                break;
            }
            $best = $size;
            $constants = self::sums($constants, $steps);
            $residuals = self::sums($residuals, $qr->rotatedBack([...$z, ...array_slice($c, $p)]));
        }

        return [$constants, DoubledPrecision::residuals($b, array_fill(0, count($b), 0.0), $a, $constants)];
    }

    /**
     * @param  list<list<float>>  $columns
     * @param  list<float>  $y
     * @param  list<float>  $constants
     * @return list<float>
     */
    private static function plainResiduals(array $columns, array $y, array $constants): array
    {
        foreach ($columns as $k => $column) {
            $constant = $constants[$k];
            foreach ($y as $i => $value) {
                $y[$i] = $value - $constant * $column[$i];
            }
        }

        return $y;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function sums(array $a, array $b): array
    {
        foreach ($a as $i => $value) {
            $a[$i] = $value + $b[$i];
        }

        return $a;
    }
}
