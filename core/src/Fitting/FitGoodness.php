<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Series\Thinning as Some;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Sums;
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
            self::far($fit, $x, $y), Origin::judged($fit, $x, $y),
        );
    }

    /** The same of a straight line that was found by sums; its constants are called a and b, as in the formula. */
    public static function ofLine(StraightLine $line, ColumnInput $x, ColumnInput $y): Goodness
    {
        $n = $line->count;
        [$looked, $told] = [Residuals::lookedAt($n), Some::places($n, self::TOLD)];
        [$someX, $someY, $toldX] = [self::some($x->values, $looked), self::some($y->values, $looked), self::some($x->values, $told)];
        $rest = $line->residuals($someX, $someY);
        $bends = ! Residuals::areRounding(Sums::squares($rest), $someY) && Residuals::of($someX, $rest, [$someX, array_fill(0, count($someX), 1.0)])->bend();
        $limit = self::limit($line->scatter ** 2 * ($n - 2), $n - 2);
        $slope = new FittedConstant('a', $line->slope, $line->slopeError, $n - 2, null);
        $intercept = new FittedConstant('b', $line->intercept(), $line->errorAt(0.0), $n - 2, null);

        return new Goodness(
            $n, $n - 2, $line->rSquared, Measured::of($line->scatter * sqrt(($n - 2) / $n), 0.0, $y->unit->difference()), ['a' => $slope->interval(), 'b' => $intercept->interval()],
            $bends, $toldX, $line->residuals($toldX, self::some($y->values, $told)), self::furthest($line->further($x->values, $y->values, $limit), $x, $y), Origin::of(Relation::Linear, $intercept, $x, $y),
        );
    }

    /** @return list<array{float, float}> points that may be outliers, the furthest first */
    private static function far(Fit $fit, ColumnInput $x, ColumnInput $y): array
    {
        $limit = self::limit(Sums::squares($fit->residuals), $fit->degreesOfFreedom());
        $far = [];
        foreach ($fit->residuals as $place => $residual) {
            if (abs($residual) > $limit) {
                $far[$place] = abs($residual);
            }
        }

        return self::furthest($far, $x, $y);
    }

    /**
     * How far from a curve a point may be one of its own. Points that lie more than three standard deviations of all others from the curve: of its own part in the scatter a point far away
     * is not judged (the deleted residual without its leverage; Draper and Smith, Applied Regression Analysis, 3rd edition, 8.1).
     *
     * @param  float  $squares  of all residuals, their sum
     */
    private static function limit(float $squares, int $degreesOfFreedom): float
    {
        // r² > 9 (S − r²) / (ν − 1), with r² on one side.
        return $degreesOfFreedom <= self::LEAST_OTHERS ? INF : sqrt(self::FAR ** 2 * $squares / ($degreesOfFreedom - 1 + self::FAR ** 2));
    }

    /**
     * @param  array<int, float>  $far  how far they lie from the curve, by place
     * @return list<array{float, float}> those that are further than rounding leaves them, the furthest first
     */
    private static function furthest(array $far, ColumnInput $x, ColumnInput $y): array
    {
        $far = array_filter($far, static fn (float $by, int $place): bool => $by > self::ROUNDING * abs($y->values[$place]), ARRAY_FILTER_USE_BOTH);
        arsort($far);

        return array_map(static fn (int $place): array => [$x->values[$place], $y->values[$place]], array_slice(array_keys($far), 0, self::MOST_FAR));
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
