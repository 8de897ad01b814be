<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\Triangle;

/**
 * The step p that makes |r - J p| smallest while |D p| stays within a radius.
 *
 * With J D^-1 = Q B and the singular values B = U S V^T the damped step is a sum over singular values, and the
 * damping that just reaches the radius is the root of a falling function (Conn, Gould and Toint, Trust-Region
 * Methods, 2000, 7.3).
 *
 * @internal used by LevenbergMarquardt alone
 */
final readonly class TrustRegion
{
    /** The radius need not be met better than this: it is a guess anyway. */
    private const SLACK = 0.05;

    /**
     * @param  list<float>  $singular
     * @param  list<float>  $across  U^T q
     * @param  list<list<float>>  $v  columns of V
     * @param  list<float>  $d
     */
    private function __construct(private array $singular, private array $across, private array $v, private array $d)
    {
    }

    /**
     * @param  list<float>  $q  the first elements of Q^T r
     * @param  list<float>  $d  scale of each constant, above 0
     */
    public static function of(Triangle $triangle, array $q, array $d): self
    {
        $p = count($d);
        $columns = [];
        for ($k = 0; $k < $p; $k++) {
            $column = [];
            for ($j = 0; $j < $p; $j++) {
                $column[] = $triangle->rows[$j][$k] / $d[$k];
            }
            $columns[] = $column;
        }
        [$u, $v] = self::orthogonalised($columns);
        $singular = [];
        $across = [];
        foreach ($u as $column) {
            $length = sqrt(self::dot($column, $column));
            $singular[] = $length;
            $across[] = $length > 0.0 ? self::dot($column, $q) / $length : 0.0;
        }

        return new self($singular, $across, $v, $d);
    }

    /**
     * @return array{list<float>, float} the step and its damping (lambda); 0 where the full step fits in
     */
    public function step(float $radius): array
    {
        $largest = max(0.0, ...$this->singular);
        // A direction the data say nothing about gets no step of its own.
        $damping = min(INF, ...$this->singular) <= 1e-14 * $largest ? 1e-28 * $largest * $largest : 0.0;
        $w = $this->along($damping);
        $length = sqrt(self::dot($w, $w));
        $low = $damping;
        for ($i = 0; $i < 60 && $length > (1.0 + self::SLACK) * $radius; $i++) {
            $fall = 0.0;
            foreach ($w as $k => $value) {
                $fall += $value * $value / ($this->singular[$k] ** 2 + $damping);
            }
            $low = $damping;
            // Newton's step on 1/length, which is nearly straight in the damping, comes from below and never overshoots.
            $damping += ($length - $radius) / $radius * $length * $length / $fall;
            $damping = max($damping, $low * 1.001, 1e-300);
            $w = $this->along($damping);
            $length = sqrt(self::dot($w, $w));
        }

        return [$this->unscaled($w), $damping];
    }

    /** @return list<float> */
    private function along(float $damping): array
    {
        $w = [];
        foreach ($this->singular as $k => $s) {
            $w[] = $s > 0.0 ? $s * $this->across[$k] / ($s * $s + $damping) : 0.0;
        }

        return $w;
    }

    /**
     * @param  list<float>  $w
     * @return list<float>
     */
    private function unscaled(array $w): array
    {
        $step = array_fill(0, count($w), 0.0);
        foreach ($this->v as $k => $column) {
            foreach ($column as $j => $value) {
                $step[$j] += $value * $w[$k] / $this->d[$j];
            }
        }

        return array_values($step);
    }

    /**
     * One-sided Jacobi rotations until the columns stand at right angles (Golub and Van Loan, 8.6.3).
     *
     * @param  list<list<float>>  $u
     * @return array{list<list<float>>, list<list<float>>} columns of U S, and of V
     */
    private static function orthogonalised(array $u): array
    {
        $p = count($u);
        $v = [];
        for ($k = 0; $k < $p; $k++) {
            $unit = array_fill(0, $p, 0.0);
            $unit[$k] = 1.0;
            $v[] = array_values($unit);
        }
        for ($sweep = 0; $sweep < 40; $sweep++) {
            $rotated = false;
            for ($i = 0; $i < $p - 1; $i++) {
                for ($j = $i + 1; $j < $p; $j++) {
                    $alpha = self::dot($u[$i], $u[$i]);
                    $beta = self::dot($u[$j], $u[$j]);
                    $gamma = self::dot($u[$i], $u[$j]);
                    if ($gamma === 0.0 || abs($gamma) <= 1e-15 * sqrt($alpha * $beta)) {
                        continue;
                    }
                    $rotated = true;
                    $zeta = ($beta - $alpha) / (2.0 * $gamma);
                    $t = ($zeta >= 0.0 ? 1.0 : -1.0) / (abs($zeta) + hypot(1.0, $zeta));
                    $c = 1.0 / hypot(1.0, $t);
                    [$u[$i], $u[$j]] = self::rotated($u[$i], $u[$j], $c, $c * $t);
                    [$v[$i], $v[$j]] = self::rotated($v[$i], $v[$j], $c, $c * $t);
                }
            }
            if (! $rotated) {
                break;
            }
        }

        return [$u, $v];
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return array{list<float>, list<float>}
     */
    private static function rotated(array $a, array $b, float $c, float $s): array
    {
        $left = [];
        $right = [];
        foreach ($a as $k => $x) {
            $left[] = $c * $x - $s * $b[$k];
            $right[] = $s * $x + $c * $b[$k];
        }

        return [$left, $right];
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $k => $value) {
            $sum += $value * $b[$k];
        }

        return $sum;
    }
}
