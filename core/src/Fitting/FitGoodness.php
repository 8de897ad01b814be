<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Series\Thinning as Some;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Goodness;

/** How good a fit is, for the line of working that holds it. */
final class FitGoodness
{
    /** What is left over of more points than these cannot be told apart in a picture. */
    private const TOLD = 300;

    /** Standard deviations; of points that scatter by chance alone one in 370 lies further away. */
    private const FAR = 3.0;

    /** Of fewer others nobody knows how far they scatter. */
    private const LEAST_OTHERS = 3;

    /** More than these are no outliers. */
    private const MOST_FAR = 20;

    /** So little of a value is left by rounding. */
    private const ROUNDING = 1e-9;

    public static function of(Fit $fit, ColumnInput $x, ColumnInput $y): Goodness
    {
        $intervals = [];
        foreach ($fit->constants as $constant) {
            $intervals[$constant->name] = $constant->interval();
        }
        $places = Some::places($fit->n(), self::TOLD);

        return new Goodness(
            $fit->n(), $fit->degreesOfFreedom(), is_nan($fit->rSquared) ? null : $fit->rSquared, Measured::of($fit->rmse(), 0.0, $y->unit->difference()),
            array_filter($intervals, static fn (array $of): bool => is_finite($of[0])), $fit->bends(), self::some($fit->x, $places), self::some($fit->residuals, $places),
            self::far($fit->residuals, self::squares($fit->residuals), $fit->degreesOfFreedom(), $x, $y), Origin::judged($fit, $x, $y),
        );
    }

    /** The same of a straight line that was found by sums; its constants are called a and b, as in the formula. */
    public static function ofLine(StraightLine $line, ColumnInput $x, ColumnInput $y): Goodness
    {
        $n = $line->count;
        [$places, $told] = [Residuals::lookedAt($n), Some::places($n, self::TOLD)];
        $residuals = $line->residuals($x->values, $y->values);
        [$some, $rest] = [self::some($x->values, $places), self::some($residuals, $places)];
        $slope = new FittedConstant('a', $line->slope, $line->slopeError, $n - 2, null);
        $intercept = new FittedConstant('b', $line->intercept(), $line->errorAt(0.0), $n - 2, null);

        return new Goodness(
            $n, $n - 2, $line->rSquared, Measured::of($line->scatter * sqrt(($n - 2) / $n), 0.0, $y->unit->difference()), ['a' => $slope->interval(), 'b' => $intercept->interval()],
            Residuals::of($some, $rest, [$some, array_fill(0, count($some), 1.0)])->bend(), self::some($x->values, $told), self::some($residuals, $told),
            self::far($residuals, $line->scatter ** 2 * ($n - 2), $n - 2, $x, $y), Origin::of(Relation::Linear, $intercept, $x, $y),
        );
    }

    /**
     * Points that lie more than three standard deviations of all others from the curve: of its own part in the scatter a point far away
     * is not judged (the deleted residual without its leverage; Draper and Smith, Applied Regression Analysis, 3rd edition, 8.1).
     *
     * @param  list<float>  $residuals
     * @param  float  $squares  their sum
     * @return list<array{float, float}> the furthest first
     */
    private static function far(array $residuals, float $squares, int $degreesOfFreedom, ColumnInput $x, ColumnInput $y): array
    {
        if ($degreesOfFreedom <= self::LEAST_OTHERS) {
            return [];
        }
        // r² > 9 (S − r²) / (ν − 1), with r² on one side.
        $limit = self::FAR ** 2 * $squares / ($degreesOfFreedom - 1 + self::FAR ** 2);
        $far = [];
        foreach ($residuals as $place => $residual) {
            if ($residual * $residual > $limit && abs($residual) > self::ROUNDING * abs($y->values[$place])) {
                $far[$place] = abs($residual);
            }
        }
        arsort($far);

        return array_map(static fn (int $place): array => [$x->values[$place], $y->values[$place]], array_slice(array_keys($far), 0, self::MOST_FAR));
    }

    /** @param  list<float>  $residuals */
    private static function squares(array $residuals): float
    {
        $sum = 0.0;
        foreach ($residuals as $residual) {
            $sum += $residual * $residual;
        }

        return $sum;
    }

    /**
     * @param  list<float>  $of
     * @param  list<int>  $places
     * @return list<float>
     */
    private static function some(array $of, array $places): array
    {
        return array_map(static fn (int $place): float => $of[$place], $places);
    }
}
