<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Linear\LeastSquares;
use Welkion\Core\Linear\Triangle;
use Welkion\Core\Linear\Weighting;
use Welkion\Core\Units\Unit;

/**
 * Fits a curve to points by least squares.
 *
 * A curve that is linear in all its constants is solved at once; any other one is searched for from its starting
 * values, given or found. The answer always says whether it settled.
 */
final readonly class CurveFitter
{
    /** Beyond this, the search begins on every so-manieth point and ends on all of them. */
    private const THIN_ABOVE = 4000;

    private const THIN_TO = 1000;

    private const STEPS_FROM_GIVEN = 2000;

    /** A guess that needs more steps than this lies in another valley; the next guess is better. */
    private const STEPS_FROM_A_GUESS = 100;

    /** Search radii to try in turn, in lengths of the starting values. */
    private const RADII = [LevenbergMarquardt::FIRST_RADIUS, 1.0, 0.01];

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y  same length as $x
     * @param  array<string, float>  $start  starting values by constant; one left out is found automatically
     * @param  list<float>|null  $weights  1 / variance of each y, or anything proportional to it
     *
     * @throws UnequalLengths If columns differ in length.
     * @throws NotEnoughPoints If there are fewer points than constants.
     * @throws InvalidQuantity If a value is not finite, or a weight not above zero.
     */
    public function fit(
        Curve $curve,
        array $x,
        array $y,
        array $start = [],
        ?array $weights = null,
        ?Bounds $bounds = null,
        ?Unit $xUnit = null,
        ?Unit $yUnit = null,
    ): Fit {
        self::check($x, $y, $weights);
        if (count($x) < count($curve->constants)) {
            throw NotEnoughPoints::need('This fit', count($curve->constants), count($x));
        }
        $model = $curve->over($x);
        $linear = $bounds === null && count($curve->linear) === count($curve->constants);
        $minimum = ($linear ? $this->solved($curve, $model, $y, $weights) : null)
            ?? $this->searched($curve, $model, $x, $y, $start, $weights, $bounds);

        return $this->described($curve, $model, $minimum, $x, $y, $weights, $xUnit ?? Unit::one(), $yUnit ?? Unit::one());
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>|null  $weights
     */
    private function solved(Curve $curve, FormulaModel $model, array $y, ?array $weights): Minimum
    {
        $zeros = array_fill(0, count($curve->constants), 0.0);
        [$ground, $slopes] = $model->at($zeros);
        $rest = $y;
        $sum = 0.0;
        foreach ($ground as $i => $value) {
            $rest[$i] -= $value;
            $sum += $value;
        }
        foreach ($slopes as $column) {
            $sum += array_sum($column);
        }
        if (! is_finite($sum)) {
            return new Minimum($zeros, [], [], NAN, 0, Outcome::NoValueAtStart, []);
        }
        $solution = LeastSquares::solve($slopes, array_values($rest), $weights);

        return $solution === null
            ? new Minimum($zeros, array_values($rest), $slopes, NAN, 1, Outcome::NotDetermined, [])
            : new Minimum($solution->constants, $solution->residuals, $slopes, $solution->residualSumOfSquares, 1, Outcome::Converged, []);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  array<string, float>  $start
     * @param  list<float>|null  $weights
     */
    private function searched(Curve $curve, FormulaModel $model, array $x, array $y, array $start, ?array $weights, ?Bounds $bounds): Minimum
    {
        $every = count($x) > self::THIN_ABOVE ? intdiv(count($x), self::THIN_TO) : 1;
        $search = new StartSearch($curve, $x, $y);
        $best = null;
        $isGiven = count($start) >= count($curve->constants);
        $mostSteps = $isGiven ? self::STEPS_FROM_GIVEN : self::STEPS_FROM_A_GUESS;
        foreach ($this->starts($curve, $search, $start) as $from) {
            if ($every > 1) {
                $thin = $weights === null ? null : Thinning::every($weights, $every);
                $first = (new LevenbergMarquardt($mostSteps))->minimum($model->thinned($every), Thinning::every($y, $every), $from, $thin, $bounds);
                if (! $first->hasConverged() && ! $isGiven) {
                    $best ??= new Minimum($first->constants, [], [], NAN, $first->iterations, $first->outcome, []);

                    continue;
                }
                $from = $first->hasConverged() ? $first->constants : $from;
            }
            $found = $this->fromOne($model, $y, $from, $weights, $bounds, $mostSteps);
            $isBetter = $best === null || ($found->hasConverged() && ! $best->hasConverged())
                || ($found->hasConverged() && $found->residualSumOfSquares < $best->residualSumOfSquares * (1.0 - 1e-9));
            $best = $isBetter ? $found : $best;
            // Given values name the valley; guesses are compared.
            if ($best->hasConverged() && ($every > 1 || $isGiven)) {
                break;
            }
        }

        return $best ?? new Minimum(array_fill(0, count($curve->constants), NAN), [], [], NAN, 0, ! $isGiven && $search->isOpen() ? Outcome::NotDetermined : Outcome::NoValueAtStart, []);
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>  $from
     * @param  list<float>|null  $weights
     */
    private function fromOne(FormulaModel $model, array $y, array $from, ?array $weights, ?Bounds $bounds, int $mostSteps): Minimum
    {
        $last = null;
        foreach (self::RADII as $radius) {
            $found = (new LevenbergMarquardt($mostSteps, $radius))->minimum($model, $y, $from, $weights, $bounds);
            if ($found->hasConverged()) {
                return $found;
            }
            $last ??= $found;
        }

        return $last;
    }

    /**
     * @param  array<string, float>  $start
     * @return list<list<float>>
     */
    private function starts(Curve $curve, StartSearch $search, array $start): array
    {
        if (count($start) < count($curve->constants)) {
            return $search->best();
        }
        $given = array_map(static fn (string $name): float => $start[$name], $curve->constants);
        $solved = $search->solved($start);

        return $solved === null || $curve->linear === [] ? [$given] : [$solved[0], $given];
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>|null  $weights
     */
    private function described(Curve $curve, FormulaModel $model, Minimum $minimum, array $x, array $y, ?array $weights, Unit $xUnit, Unit $yUnit): Fit
    {
        $degrees = count($y) - count($curve->constants);
        $gram = $minimum->hasConverged() ? $this->gram($minimum, $weights) : null;
        $outcome = $minimum->hasConverged() && $gram === null ? Outcome::NotDetermined : $minimum->outcome;
        $variance = $degrees > 0 ? $minimum->residualSumOfSquares / $degrees : NAN;
        $covariance = array_map(static fn (array $row): array => array_map(static fn (float $v): float => $v * $variance, $row), $gram ?? []);
        $units = $outcome === Outcome::Converged ? self::units($curve, $minimum->constants, $xUnit, $yUnit) : [];
        $constants = [];
        foreach ($curve->constants as $k => $name) {
            $error = isset($covariance[$k]) ? sqrt($covariance[$k][$k]) : NAN;
            $constants[] = new FittedConstant($name, $minimum->constants[$k], $error, $degrees, $units[$name] ?? null);
        }
        $residuals = $minimum->residuals === [] ? array_fill(0, count($y), NAN) : $minimum->residuals;

        return new Fit($curve, $constants, $covariance, $residuals, $minimum->residualSumOfSquares,
            self::rSquared($y, $minimum->residualSumOfSquares, $weights), $minimum->iterations, $outcome, $x, $minimum->atBound, $model, array_map(
                static fn (string $name, float $value): FittedConstant => new FittedConstant($name, $value, 0.0, $degrees, $units[$name] ?? null), array_keys($curve->held), $curve->held));
    }

    /**
     * @param  list<float>|null  $weights
     * @return list<list<float>>|null null if the data leave a constant open
     */
    private function gram(Minimum $minimum, ?array $weights): ?array
    {
        $columns = $minimum->slopes;
        if ($weights !== null) {
            $roots = array_map(sqrt(...), $weights);
            $columns = array_map(static fn (array $column): array => Weighting::on($column, $roots), $columns);
        }
        foreach ($minimum->atBound as $k => $isHeld) {
            $columns[$k] = $isHeld ? [] : $columns[$k];
        }
        $free = array_values(array_filter($columns));
        $triangle = Triangle::of($free);
        if ($free !== [] && ! $triangle->isIndependent(1e-13)) {
            return null;
        }
        $gram = $free === [] ? [] : $triangle->inverseGram();
        $places = array_keys(array_filter($columns));
        $full = array_fill(0, count($columns), array_fill(0, count($columns), 0.0));
        foreach ($places as $i => $a) {
            foreach ($places as $j => $b) {
                $full[$a][$b] = $gram[$i][$j];
            }
        }

        return array_map(array_values(...), $full);
    }

    /**
     * @param  list<float>  $values
     * @return array<string, Unit|null>
     */
    private static function units(Curve $curve, array $values, Unit $x, Unit $y): array
    {
        return $x->isOne() && $y->isOne()
            ? array_fill_keys([...$curve->constants, ...array_keys($curve->held)], Unit::one()) : ConstantUnits::of($curve, $values, $x, $y);
    }

    /**
     * Share of the scatter of y about its mean that the curve explains.
     *
     * @param  list<float>  $y
     * @param  list<float>|null  $weights
     */
    private static function rSquared(array $y, float $squares, ?array $weights): float
    {
        $total = 0.0;
        $sum = 0.0;
        foreach ($y as $i => $value) {
            $weight = $weights[$i] ?? 1.0;
            $sum += $weight * $value;
            $total += $weight;
        }
        $mean = $sum / $total;
        $scatter = 0.0;
        foreach ($y as $i => $value) {
            $scatter += ($weights[$i] ?? 1.0) * ($value - $mean) ** 2;
        }

        return $scatter > 0.0 ? 1.0 - $squares / $scatter : ($squares === 0.0 ? 1.0 : NAN);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>|null  $weights
     */
    private static function check(array $x, array $y, ?array $weights): void
    {
        if (count($x) !== count($y)) {
            throw UnequalLengths::between(count($x), count($y));
        }
        if (! is_finite(array_sum($x) + array_sum($y))) {
            throw InvalidQuantity::mustBeFinite('value of every point');
        }
        foreach ($weights ?? [] as $weight) {
            if (is_nan($weight) || $weight <= 0.0) {
                throw InvalidQuantity::mustBePositive('weight of a point', $weight, '');
            }
        }
    }
}
