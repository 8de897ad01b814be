<?php

declare(strict_types=1);

namespace Welkion\Core\Linear;

/**
 * The upper triangle R of A = Q R, which is all that a step, a covariance and a test of independence need.
 */
final readonly class Triangle
{
    /** Squaring loses twice the digits that dependence costs; of columns this independent it leaves twelve. */
    private const SAFE_TO_SQUARE = 1e-2;

    /**
     * @param  list<list<float>>  $rows  of R
     * @param  list<float>  $scale  lengths of the columns of A
     * @param  list<float>  $projection  the first elements of Q^T y, if a y was given
     */
    private function __construct(public array $rows, public array $scale, public array $projection)
    {
    }

    /**
     * By the Cholesky factor of A^T A where columns are independent enough, which takes a third of the time; by
     * Householder reflections where they are not (Golub and Van Loan, Matrix Computations, 4th edition, 5.2 and 5.3).
     *
     * @param  list<list<float>>  $columns  of A
     * @param  list<float>|null  $y
     */
    public static function of(array $columns, ?array $y = null): self
    {
        $squared = self::squaredUp($columns, $y);
        if ($squared !== null && $squared->independence() > self::SAFE_TO_SQUARE) {
            return $squared;
        }
        $qr = new QrDecomposition($columns);

        return new self($qr->r, $qr->scale, $y === null ? [] : array_slice($qr->rotated($y), 0, count($columns)));
    }

    /** @internal for a decomposition that is there already */
    public static function ofQr(QrDecomposition $qr): self
    {
        return new self($qr->r, $qr->scale, []);
    }

    /**
     * The smallest share of a column that no column before it can express, 0 to 1: near zero where columns say
     * the same thing.
     */
    public function independence(): float
    {
        $least = 1.0;
        foreach ($this->rows as $k => $row) {
            $least = min($least, $this->scale[$k] > 0.0 ? abs($row[$k]) / $this->scale[$k] : 0.0);
        }

        return $least;
    }

    /** Whether every column says more than this share of itself that the others do not say. */
    public function isIndependent(float $beyond): bool
    {
        return $this->independence() > $beyond;
    }

    /**
     * x of R x = c.
     *
     * @param  list<float>  $c  at least as many as columns
     * @return list<float>
     */
    public function solved(array $c): array
    {
        $p = count($this->rows);
        $x = array_slice($c, 0, $p);
        for ($k = $p - 1; $k >= 0; $k--) {
            $sum = $x[$k];
            for ($j = $k + 1; $j < $p; $j++) {
                $sum -= $this->rows[$k][$j] * $x[$j];
            }
            $x[$k] = $sum / $this->rows[$k][$k];
        }

        return array_values($x);
    }

    /**
     * z of R^T z = g.
     *
     * @param  list<float>  $g
     * @return list<float>
     */
    public function solvedTransposed(array $g): array
    {
        $z = [];
        foreach ($g as $k => $value) {
            for ($j = 0; $j < $k; $j++) {
                $value -= $this->rows[$j][$k] * $z[$j];
            }
            $z[] = $value / $this->rows[$k][$k];
        }

        return $z;
    }

    /**
     * |A x|^2, which is |R x|^2.
     *
     * @param  list<float>  $x
     */
    public function squared(array $x): float
    {
        $squares = 0.0;
        foreach ($this->rows as $row) {
            $sum = 0.0;
            foreach ($row as $k => $value) {
                $sum += $value * $x[$k];
            }
            $squares += $sum * $sum;
        }

        return $squares;
    }

    /**
     * Rows of (A^T A)^-1.
     *
     * @return list<list<float>>
     */
    public function inverseGram(): array
    {
        $p = count($this->rows);
        $inverse = [];
        for ($k = 0; $k < $p; $k++) {
            $unit = array_fill(0, $p, 0.0);
            $unit[$k] = 1.0;
            $inverse[] = $this->solved(array_values($unit));
        }
        $gram = [];
        for ($a = 0; $a < $p; $a++) {
            $row = [];
            for ($b = 0; $b < $p; $b++) {
                $sum = 0.0;
                for ($k = max($a, $b); $k < $p; $k++) {
                    $sum += $inverse[$k][$a] * $inverse[$k][$b];
                }
                $row[] = $sum;
            }
            $gram[] = $row;
        }

        return $gram;
    }

    /**
     * @param  list<list<float>>  $columns
     * @param  list<float>|null  $y
     */
    private static function squaredUp(array $columns, ?array $y): ?self
    {
        $p = count($columns);
        /** @var list<list<float>> $rows */
        $rows = [];
        $scale = [];
        for ($k = 0; $k < $p; $k++) {
            $row = $k === 0 ? [] : array_map(static fn (): float => 0.0, range(1, $k));
            $pivot = 1.0;
            for ($j = $k; $j < $p; $j++) {
                $sum = self::dot($columns[$k], $columns[$j]);
                if ($j === $k) {
                    $scale[] = sqrt($sum);
                }
                for ($i = 0; $i < $k; $i++) {
                    $sum -= $rows[$i][$k] * $rows[$i][$j];
                }
                if ($j === $k && ! ($sum > 0.0 && $sum < INF)) {
                    return null;
                }
                $pivot = $j === $k ? sqrt($sum) : $pivot;
                $row[] = $j === $k ? $pivot : $sum / $pivot;
            }
            $rows[] = $row;
        }
        $triangle = new self($rows, $scale, []);
        if ($y === null) {
            return $triangle;
        }

        return new self($rows, $scale, $triangle->solvedTransposed(array_map(static fn (array $column): float => self::dot($column, $y), $columns)));
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
