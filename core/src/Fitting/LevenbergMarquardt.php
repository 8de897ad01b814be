<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Linear\Triangle;

/**
 * Searches the constants of a curve that make the sum of squared residuals least.
 *
 * Levenberg and Marquardt's method as a trust region, after Moré (Numerical Analysis, Lecture Notes in
 * Mathematics 630, 1978): each constant is scaled by the longest its column of slopes has been, and the radius
 * follows how well the last step was foretold. It stops when the undamped step no longer matters beside the
 * constants or their standard errors, not when the sum of squares looks steady.
 */
final readonly class LevenbergMarquardt
{
    /** An undamped step this small beside a constant changes its tenth digit; the one after it, a later one. */
    private const SMALL_TO_CONSTANT = 1e-10;

    /** ... or this small beside its standard error, for constants that may be zero. */
    private const SMALL_TO_ERROR = 1e-10;

    /** Columns of slopes this alike leave a constant open. */
    private const LEAST_INDEPENDENCE = 1e-12;

    /** A gain this small of the sum of squares drowns in the rounding of its terms. */
    private const HIDDEN_GAIN = 1e-11;

    private const POLISHING_STEPS = 100;

    /** The first radius in lengths of the starting values. */
    public const FIRST_RADIUS = 100.0;

    /**
     * @param  float  $firstRadius  in lengths of the starting values
     * @param  float  $coarseness  how many times larger steps than usual no longer matter; for trials among many
     */
    public function __construct(
        private int $mostSteps = 2000,
        private float $firstRadius = self::FIRST_RADIUS,
        private float $coarseness = 1.0,
    ) {
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>  $start
     * @param  list<float>|null  $weights  1 / variance of each y, or anything proportional to it
     *
     * @throws UnequalLengths If there are not as many weights as points.
     * @throws NotEnoughPoints If there are fewer points than constants.
     */
    public function minimum(Model $model, array $y, array $start, ?array $weights = null, ?Bounds $bounds = null): Minimum
    {
        if ($weights !== null && count($weights) !== count($y)) {
            throw UnequalLengths::between(count($weights), count($y));
        }
        if (count($y) < count($start)) {
            throw NotEnoughPoints::need('This fit', count($start), count($y));
        }
        $roots = $weights === null ? null : array_map(sqrt(...), $weights);
        $bounds ??= Bounds::none(count($start));
        $state = SearchState::at($model, $y, $roots, $bounds->clipped($start));
        if ($state === null) {
            return new Minimum($start, [], [], NAN, 0, Outcome::NoValueAtStart, []);
        }

        $d = array_fill(0, count($start), 0.0);
        $radius = null;
        $held = array_fill(0, count($start), false);
        $remaining = INF;
        $wasFull = false;
        for ($iteration = 1; $iteration <= $this->mostSteps; $iteration++) {
            $held = $bounds->isNone() ? $held : $bounds->holding($state->constants, $state->downhill());
            $triangle = $state->triangle($held);
            $d = self::scales($d, $triangle->scale);
            $q = $triangle->projection;
            $before = $remaining;
            $remaining = $state->squares === 0.0 ? 0.0 : $this->remaining($state, $triangle, $q);
            if (self::isLast($remaining, $wasFull ? $before : INF)) {
                return $this->settled($model, $y, $roots, $bounds, $state, $triangle, $q, $held, $iteration);
            }
            $region = null;
            $full = $triangle->independence() > self::LEAST_INDEPENDENCE ? $triangle->solved($q) : null;
            $radius ??= $this->firstRadius * (self::length($state->constants, $d) ?: 1.0);
            do {
                if ($full !== null && self::length($full, $d) <= $radius) {
                    [$step, $damping] = [$full, 0.0];
                } else {
                    $region ??= TrustRegion::of($triangle, $q, $d);
                    [$step, $damping] = $region->step($radius);
                }
                $foretold = ($triangle->squared($step) + 2.0 * $damping * self::length($step, $d) ** 2) / $state->squares;
                $target = $bounds->clipped(self::moved($state->constants, $step));
                $next = SearchState::at($model, $y, $roots, $target);
                $gain = $next === null ? -1.0 : 1.0 - $next->squares / $state->squares;
                $ratio = $foretold > 0.0 ? $gain / $foretold : 0.0;
                $length = self::length($step, $d);
                $radius = match (true) {
                    $ratio < 0.25 => min($radius, $length) * ($gain > -1.0 ? 0.4 : 0.1),
                    $ratio > 0.75 || $damping === 0.0 => max($radius, 2.0 * $length),
                    default => $radius,
                };
                $isHidden = $next !== null && $foretold < self::HIDDEN_GAIN && abs($gain) < self::HIDDEN_GAIN;
                if ($isHidden || $radius < 1e-250) {
                    return $this->polished($model, $y, $roots, $bounds, $state, $held, $iteration);
                }
            } while ($next === null || $ratio < 1e-4);
            $wasFull = $damping === 0.0;
            $state = $next;
        }

        return $state->minimum($this->mostSteps, Outcome::TooManySteps, $held);
    }

    /**
     * The undamped step still to go, in units of what no longer matters.
     *
     * @param  list<float>  $q
     */
    private function remaining(SearchState $state, Triangle $triangle, array $q): float
    {
        if (! $triangle->isIndependent(self::LEAST_INDEPENDENCE)) {
            return INF;
        }
        // No constant moves by more standard errors than the residuals move by their own (|R p| over the scatter).
        $squares = 0.0;
        foreach ($q as $value) {
            $squares += $value * $value;
        }
        $byErrors = sqrt($squares * max(1, count($state->weighted) - count($q)) / $state->squares) / self::SMALL_TO_ERROR;
        $byConstants = 0.0;
        foreach ($triangle->solved($q) as $k => $value) {
            $byConstants = max($byConstants, $value === 0.0 ? 0.0 : abs($value) / max(self::SMALL_TO_CONSTANT * abs($state->constants[$k]), 1e-300));
        }

        return min($byErrors, $byConstants) / $this->coarseness;
    }

    /**
     * Whether after the full step ahead nothing that matters is left: full steps shrink by an even factor near the
     * end, so what this one leaves is known beforehand.
     *
     * @param  float  $before  what remained before the full step that led here
     */
    private static function isLast(float $remaining, float $before): bool
    {
        $shrinking = min(1.0, $remaining / max($before, 1e-300));

        return $remaining <= 1.0 || (is_finite($before) && $shrinking < 0.5 && $remaining * $shrinking / (1.0 - $shrinking) <= 1.0);
    }

    /**
     * With the last small step taken, which is worked out anyway.
     *
     * @param  list<float>  $y
     * @param  list<float>|null  $roots
     * @param  list<float>  $q
     * @param  list<bool>  $held
     */
    private function settled(Model $model, array $y, ?array $roots, Bounds $bounds, SearchState $state, Triangle $triangle, array $q, array $held, int $iteration): Minimum
    {
        if ($state->squares > 0.0 && $triangle->independence() > self::LEAST_INDEPENDENCE) {
            $last = SearchState::at($model, $y, $roots, $bounds->clipped(self::moved($state->constants, $triangle->solved($q))));
            $state = $last !== null && $last->squares <= $state->squares * (1.0 + self::HIDDEN_GAIN) ? $last : $state;
        }

        return $state->minimum($iteration, Outcome::Converged, $held);
    }

    /**
     * The last digits: near the end the sum of squares is flat to rounding, while undamped steps still shrink.
     *
     * @param  list<float>  $y
     * @param  list<float>|null  $roots
     * @param  list<bool>  $held
     */
    private function polished(Model $model, array $y, ?array $roots, Bounds $bounds, SearchState $state, array $held, int $iteration): Minimum
    {
        $remaining = INF;
        for ($round = 0; $round < self::POLISHING_STEPS && $state->squares > 0.0; $round++) {
            $triangle = $state->triangle($held);
            if (! $triangle->isIndependent(self::LEAST_INDEPENDENCE)) {
                return $state->minimum($iteration, Outcome::NotDetermined, $held);
            }
            $q = $triangle->projection;
            $before = $remaining;
            $remaining = $this->remaining($state, $triangle, $q);
            if (self::isLast($remaining, $before)) {
                return $this->settled($model, $y, $roots, $bounds, $state, $triangle, $q, $held, $iteration);
            }
            if ($remaining > 0.9 * $before) {
                break;
            }
            $next = SearchState::at($model, $y, $roots, $bounds->clipped(self::moved($state->constants, $triangle->solved($q))));
            if ($next === null || $next->squares > $state->squares * (1.0 + self::HIDDEN_GAIN)) {
                break;
            }
            $state = $next;
            $iteration++;
        }
        // A step of the sixth digit still to go is no answer, unless the residuals are mere rounding.
        $isFound = $remaining <= 1e6 || $state->isRounding();

        return $state->minimum($iteration, $isFound ? Outcome::Converged : Outcome::TooManySteps, $held);
    }

    /**
     * @param  list<float>  $constants
     * @param  list<float>  $step
     * @return list<float>
     */
    private static function moved(array $constants, array $step): array
    {
        foreach ($constants as $k => $value) {
            $constants[$k] = $value + $step[$k];
        }

        return $constants;
    }

    /**
     * The longest each column of slopes has been so far; 1 for one that has had no length yet.
     *
     * @param  list<float>  $d
     * @param  list<float>  $lengths
     * @return list<float>
     */
    private static function scales(array $d, array $lengths): array
    {
        foreach ($d as $k => $value) {
            $d[$k] = max($value, $lengths[$k]) ?: 1.0;
        }

        return $d;
    }

    /**
     * @param  list<float>  $step
     * @param  list<float>  $d
     */
    private static function length(array $step, array $d): float
    {
        $sum = 0.0;
        foreach ($step as $k => $value) {
            $sum += ($value * $d[$k]) ** 2;
        }

        return sqrt($sum);
    }
}
