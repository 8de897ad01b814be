<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\Triangle;
use Welkion\Core\Linear\Weighting;

/**
 * One place of a search: constants, residuals and slopes there.
 *
 * @internal used by LevenbergMarquardt alone
 */
final readonly class SearchState
{
    /**
     * @param  list<float>  $constants
     * @param  list<float>  $residuals
     * @param  list<list<float>>  $slopes
     * @param  list<float>  $weighted  residuals times the roots of the weights
     * @param  list<list<float>>  $weightedSlopes
     */
    private function __construct(
        public array $constants,
        public array $residuals,
        public array $slopes,
        public array $weighted,
        public array $weightedSlopes,
        public float $squares,
    ) {
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>|null  $roots  of the weights
     * @param  list<float>  $constants
     * @return self|null null where the curve or a slope is not finite
     */
    public static function at(Model $model, array $y, ?array $roots, array $constants): ?self
    {
        [$curve, $slopes] = $model->at($constants);
        $residuals = $y;
        $squares = 0.0;
        foreach ($residuals as $i => $value) {
            $residual = $value - $curve[$i];
            $residuals[$i] = $residual;
            $squares += $residual * $residual;
        }
        $weighted = $residuals;
        $weightedSlopes = $slopes;
        if ($roots !== null) {
            $weighted = Weighting::on($residuals, $roots);
            $weightedSlopes = array_map(static fn (array $s): array => Weighting::on($s, $roots), $slopes);
            $squares = 0.0;
            foreach ($weighted as $value) {
                $squares += $value * $value;
            }
        }
        $finite = is_finite($squares);
        foreach ($slopes as $column) {
            $finite = $finite && is_finite(array_sum($column));
        }

        return $finite ? new self($constants, $residuals, $slopes, $weighted, $weightedSlopes, $squares) : null;
    }

    /**
     * The direction in which the sum of squares falls, a number for each constant.
     *
     * @return list<float>
     */
    public function downhill(): array
    {
        $slopes = [];
        foreach ($this->weightedSlopes as $column) {
            $sum = 0.0;
            foreach ($column as $i => $value) {
                $sum += $value * $this->weighted[$i];
            }
            $slopes[] = $sum;
        }

        return $slopes;
    }

    /**
     * The triangle from which steps come, with its projection of the residuals. A constant that a bound holds has no
     * slope, but a row of its own that keeps its step at zero; the others then step as if there were no such constant.
     *
     * @param  list<bool>  $held
     */
    public function triangle(array $held): Triangle
    {
        $rows = array_keys(array_filter($held));
        if ($rows === []) {
            return Triangle::of($this->weightedSlopes, $this->weighted);
        }
        $columns = [];
        foreach ($this->weightedSlopes as $k => $column) {
            $below = array_map(static fn (int $row): float => $row === $k ? 1.0 : 0.0, $rows);
            $columns[] = [...($held[$k] ? array_fill(0, count($column), 0.0) : $column), ...$below];
        }

        return Triangle::of($columns, [...$this->weighted, ...array_fill(0, count($rows), 0.0)]);
    }

    /** Whether the residuals are no more than what rounding the curve leaves. */
    public function isRounding(): bool
    {
        $curve = 0.0;
        foreach ($this->weightedSlopes as $k => $column) {
            foreach ($column as $value) {
                $curve += ($this->constants[$k] * $value) ** 2;
            }
        }

        return $this->squares <= 1e-28 * $curve;
    }

    /** @param  list<bool>  $held */
    public function minimum(int $iterations, Outcome $outcome, array $held): Minimum
    {
        return new Minimum($this->constants, $this->residuals, $this->slopes, $this->squares, $iterations, $outcome, $held);
    }
}
