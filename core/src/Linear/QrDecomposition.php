<?php

declare(strict_types=1);

namespace Welkion\Core\Linear;

/**
 * A = Q R of a tall matrix by Householder reflections.
 *
 * Golub and Van Loan, Matrix Computations, 4th edition, 5.2. Columns are plain lists and the loops are flat:
 * this is the other place where fits spend their time.
 *
 * @internal used by Triangle, LeastSquares and PlainLeastSquares
 */
final class QrDecomposition
{
    /** @var list<list<float>> Householder vectors, from the diagonal on; what stands above is not used */
    private array $reflectors = [];

    /** @var list<float> 2 / |v|^2 of each reflector; 0 for a column without a length */
    private array $strengths = [];

    /** @var list<list<float>> rows of R */
    public array $r = [];

    /** @var list<float> lengths of the columns */
    public array $scale = [];

    /** @param  list<list<float>>  $columns  of equal length, at least as long as there are columns */
    public function __construct(array $columns)
    {
        $p = count($columns);
        $r = array_fill(0, $p, array_fill(0, $p, 0.0));
        for ($k = 0; $k < $p; $k++) {
            $v = $columns[$k];
            $length = self::norm($v, $k);
            $alpha = $v[$k] > 0.0 ? -$length : $length;
            $squares = 0.0;
            for ($j = 0; $j < $k; $j++) {
                $r[$j][$k] = $v[$j];
                $squares += $v[$j] * $v[$j];
            }
            $r[$k][$k] = $alpha;
            $this->scale[] = $squares + $alpha * $alpha > 0.0 ? hypot(sqrt($squares), $alpha) : 0.0;
            $v[$k] -= $alpha;
            $squared = -2.0 * $alpha * $v[$k];
            $strength = $squared > 0.0 ? 2.0 / $squared : 0.0;
            for ($j = $k + 1; $j < $p; $j++) {
                $columns[$j] = self::reflected($columns[$j], $v, $strength, $k);
            }
            $this->reflectors[] = $v;
            $this->strengths[] = $strength;
        }
        $this->r = array_map(array_values(...), $r);
    }

    /**
     * Q^T y.
     *
     * @param  list<float>  $y
     * @return list<float>
     */
    public function rotated(array $y): array
    {
        foreach ($this->reflectors as $k => $v) {
            $y = self::reflected($y, $v, $this->strengths[$k], $k);
        }

        return $y;
    }

    /**
     * Q y.
     *
     * @param  list<float>  $y
     * @return list<float>
     */
    public function rotatedBack(array $y): array
    {
        for ($k = count($this->reflectors) - 1; $k >= 0; $k--) {
            $y = self::reflected($y, $this->reflectors[$k], $this->strengths[$k], $k);
        }

        return $y;
    }

    /** @param  list<float>  $v */
    private static function norm(array $v, int $from): float
    {
        $sum = 0.0;
        for ($i = $from, $n = count($v); $i < $n; $i++) {
            $sum += $v[$i] * $v[$i];
        }
        if ($sum > 1e-280 && $sum < 1e280) {
            return sqrt($sum);
        }
        // Squares left the range of a double: take the largest out first.
        $largest = 0.0;
        for ($i = $from; $i < $n; $i++) {
            $largest = max($largest, abs($v[$i]));
        }
        if ($largest === 0.0 || ! is_finite($largest)) {
            return $largest;
        }
        $sum = 0.0;
        for ($i = $from; $i < $n; $i++) {
            $sum += ($v[$i] / $largest) ** 2;
        }

        return $largest * sqrt($sum);
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>  $v
     * @return list<float>
     */
    private static function reflected(array $y, array $v, float $strength, int $from): array
    {
        $n = count($y);
        $dot = 0.0;
        for ($i = $from; $i < $n; $i++) {
            $dot += $v[$i] * $y[$i];
        }
        $dot *= $strength;
        if ($dot !== 0.0) {
            for ($i = $from; $i < $n; $i++) {
                $y[$i] -= $dot * $v[$i];
            }
        }

        /** @var list<float> $y its own elements alone were changed */
        return $y;
    }
}
