<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Uncertainty\StudentT;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;

/** A curve fitted to points: its constants, how good they are, and what to watch. */
final readonly class Fit
{
    public const CONFIDENCE = 0.95;

    /**
     * @internal made by CurveFitter
     *
     * @param  list<FittedConstant>  $constants
     * @param  list<list<float>>  $covariance  of the constants, in their order
     * @param  list<float>  $residuals  y less the curve
     * @param  float  $residualSumOfSquares  weighted, if weights were given
     * @param  list<float>  $x
     * @param  list<bool>  $atBound  which constants were stopped by a bound
     * @param  list<FittedConstant>  $held  constants that were not fitted, exact
     */
    public function __construct(
        public Curve $curve,
        public array $constants,
        public array $covariance,
        public array $residuals,
        public float $residualSumOfSquares,
        public float $rSquared,
        public int $iterations,
        public Outcome $outcome,
        public array $x,
        private array $atBound,
        private FormulaModel $model,
        public array $held = [],
    ) {
    }

    /** Whether the residuals still show a pattern; false where there is no answer to judge. */
    public function bends(): bool
    {
        if (! $this->hasConverged()) {
            return false;
        }
        [$heights, $slopes] = $this->model->at($this->values());

        return ! Residuals::areRounding($this->residualSumOfSquares, $heights) && Residuals::of($this->x, $this->residuals, $slopes)->bend();
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        return FitWarnings::of($this->outcome, $this->constants, $this->covariance, $this->degreesOfFreedom(), $this->bends(), $this->atBound);
    }

    /** Whether the constants are an answer. */
    public function hasConverged(): bool
    {
        return $this->outcome === Outcome::Converged;
    }

    /** Points that were fitted. */
    public function n(): int
    {
        return count($this->residuals);
    }

    /** Points less constants. */
    public function degreesOfFreedom(): int
    {
        return $this->n() - count($this->constants);
    }

    /** Root of the mean squared residual: sqrt(RSS / n). */
    public function rmse(): float
    {
        return sqrt($this->residualSumOfSquares / max(1, $this->n()));
    }

    /** Estimate of the scatter of one point: sqrt(RSS / degrees of freedom); NAN without any. */
    public function residualStandardDeviation(): float
    {
        return $this->degreesOfFreedom() > 0 ? sqrt($this->residualSumOfSquares / $this->degreesOfFreedom()) : NAN;
    }

    /**
     * Akaike's information criterion for few points; of two curves through the same points the lower one is the
     * better guess (Burnham and Anderson, Model Selection, 2002, 2.4). NAN where there are too few points.
     *
     * @param  float  $rounding  a sum of squared residuals below this one is mere rounding and counts as this one
     */
    public function aicc(float $rounding = 1e-300): float
    {
        $n = $this->n();
        $k = count($this->constants) + 1;

        return $n - $k - 1 > 0 && is_finite($this->residualSumOfSquares)
            ? $n * log(max($this->residualSumOfSquares, $rounding) / $n) + 2 * $k + 2 * $k * ($k + 1) / ($n - $k - 1) : NAN;
    }

    /**
     * The same for comparing curves, in which residuals that are mere rounding count alike; INF where there are too few points.
     *
     * @param  float  $squares  sum of the squares of what was fitted
     */
    public function criterion(float $squares): float
    {
        $criterion = $this->aicc(max(Residuals::ROUNDING * $squares, 1e-300));

        return is_nan($criterion) ? INF : $criterion;
    }

    /**
     * How many times as much of y this curve leaves over as another one; what rounding leaves of exact points is nothing.
     *
     * @param  list<float>  $y  what both were fitted to
     */
    public function timesLeft(self $other, array $y): float
    {
        $least = sqrt(Residuals::ROUNDING) * max([0.0, ...array_map(abs(...), $y)]);

        return sqrt(fdiv($this->residualSumOfSquares + $least ** 2, $other->residualSumOfSquares + $least ** 2));
    }

    /** The constant of this name; null if the curve has none. */
    public function constant(string $name): ?FittedConstant
    {
        foreach ($this->constants as $constant) {
            if ($constant->name === $name) {
                return $constant;
            }
        }

        return null;
    }

    /**
     * The constants with what they have in common: the scatter of the points is one source for all of them.
     *
     * @return array<string, Measured> by name; one whose unit the formula leaves open is a plain number
     *
     * @throws InvalidQuantity If there are no more points than constants, so that nothing is known of their uncertainty.
     */
    public function measured(?Source $source = null): array
    {
        $units = array_map(static fn (FittedConstant $c): Unit => $c->unit ?? Unit::one(), $this->constants);
        $names = array_map(static fn (FittedConstant $c): string => $c->name, $this->constants);

        return array_combine($names, Measured::jointly($this->values(), $this->covariance, $units, $source ?? Source::unnamed('scatter of the fit')));
    }

    /** @return list<float> */
    public function values(): array
    {
        return array_map(static fn (FittedConstant $c): float => $c->value, $this->constants);
    }

    /**
     * Height of the curve.
     *
     * @param  list<float>  $x
     * @return list<float>
     */
    public function at(array $x): array
    {
        return $this->model->over($x)->at($this->values())[0];
    }

    /**
     * Half the width of the 95 % confidence band of the curve, from the covariance of its constants to first order.
     *
     * @param  list<float>  $x
     * @return list<float> NAN without degrees of freedom
     */
    public function band(array $x): array
    {
        $slopes = $this->model->over($x)->at($this->values())[1];
        $t = $this->degreesOfFreedom() > 0 ? StudentT::quantile((1.0 + self::CONFIDENCE) / 2.0, $this->degreesOfFreedom()) : NAN;
        $widths = [];
        foreach (array_keys($x) as $i) {
            $variance = 0.0;
            foreach ($this->covariance as $a => $row) {
                foreach ($row as $b => $covariance) {
                    $variance += $slopes[$a][$i] * $slopes[$b][$i] * $covariance;
                }
            }
            $widths[] = $t * sqrt(max(0.0, $variance));
        }

        return $widths;
    }
}
