<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Fitting\Bounds;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\FittedConstant;
use Welkion\Core\Fitting\FitWarnings;
use Welkion\Core\Fitting\Outcome;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Fitting\Residuals;
use Welkion\Core\Warning;

/** A whole weight says the same as the point taken so many times; what is said of a fit does not hang on the order of its points. */
final class WeightsTest extends TestCase
{
    private const X = [0.0, 1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 8.0];

    private const Y = [10.1, 7.3, 5.6, 4.1, 3.4, 2.7, 2.5, 2.1];

    private const WEIGHTS = [1.0, 3.0, 2.0, 1.0, 4.0, 2.0, 1.0, 3.0];

    /** @return iterable<string, array{Relation}> one linear in its constants, and ones that are searched */
    public static function relations(): iterable
    {
        foreach ([Relation::Linear, Relation::ExponentialDecay, Relation::InverseOfLine, Relation::ExponentialGrowth] as $relation) {
            yield $relation->value => [$relation];
        }
    }

    #[DataProvider('relations')]
    public function test_a_weight_of_three_is_a_point_taken_three_times(Relation $relation): void
    {
        [$x, $y] = [[], []];
        foreach (self::WEIGHTS as $i => $weight) {
            for ($k = 0.0; $k < $weight; $k++) {
                [$x[], $y[]] = [self::X[$i], self::Y[$i]];
            }
        }
        $weighted = (new CurveFitter)->fit($relation->curve(), self::X, self::Y, weights: self::WEIGHTS);
        $repeated = (new CurveFitter)->fit($relation->curve(), $x, $y);
        // The same sum of squares, shared by fewer degrees of freedom.
        $share = sqrt($repeated->degreesOfFreedom() / $weighted->degreesOfFreedom());

        self::assertEqualsWithDelta($repeated->residualSumOfSquares, $weighted->residualSumOfSquares, 1e-9);
        self::assertEqualsWithDelta($repeated->rSquared, $weighted->rSquared, 1e-9);
        foreach ($weighted->constants as $k => $constant) {
            self::assertEqualsWithDelta($repeated->constants[$k]->value, $constant->value, 1e-7 * abs($constant->value));
            self::assertEqualsWithDelta($share * $repeated->constants[$k]->standardError, $constant->standardError, 1e-6 * $constant->standardError);
        }
    }

    #[DataProvider('relations')]
    public function test_the_same_weight_for_all_changes_no_error(Relation $relation): void
    {
        $errors = static fn (Fit $fit): array => array_map(static fn ($c): float => $c->standardError, $fit->constants);
        $plain = $errors((new CurveFitter)->fit($relation->curve(), self::X, self::Y));
        $weighted = $errors((new CurveFitter)->fit($relation->curve(), self::X, self::Y, weights: array_fill(0, 8, 9.0)));

        foreach ($plain as $k => $error) {
            self::assertEqualsWithDelta($error, $weighted[$k], 1e-6 * $error);
        }
    }

    public function test_a_constant_held_at_its_bound_leaves_the_others_the_errors_of_a_fit_without_it(): void
    {
        // A height of at most 9 at the left end: what is left is a line of one constant from there.
        $y = [10.2, 12.1, 13.8, 16.2];
        $fit = (new CurveFitter)->fit(Curve::typed('a*x + c'), [0.0, 1.0, 2.0, 3.0], $y, bounds: Bounds::of(['a', 'c'], ['c' => [-INF, 9.0]]));
        $slope = (1.0 * 3.1 + 2.0 * 4.8 + 3.0 * 7.2) / 14.0;
        $squares = array_sum(array_map(static fn (float $v, int $k): float => ($v - 9.0 - $slope * $k) ** 2, $y, [0, 1, 2, 3]));

        self::assertEqualsWithDelta(9.0, $fit->constant('c')?->value, 1e-12);
        self::assertEqualsWithDelta($slope, $fit->constant('a')?->value, 1e-9);
        // Two constants were asked for, so two degrees of freedom remain.
        self::assertEqualsWithDelta(sqrt($squares / 2.0 / 14.0), $fit->constant('a')->standardError, 1e-9);
    }

    public function test_runs_are_counted_in_order_of_x_however_the_points_come(): void
    {
        $x = range(0.0, 9.0);
        $residuals = [1.0, 1.1, 0.9, 1.2, 1.0, -1.0, -1.1, -0.9, -1.2, -1.0];
        $slopes = [array_fill(0, 10, 1.0)];
        $order = [7, 0, 5, 2, 9, 4, 1, 8, 3, 6];
        $mixed = Residuals::of(array_map(static fn (int $i): float => $x[$i], $order), array_map(static fn (int $i): float => $residuals[$i], $order), $slopes);

        self::assertEqualsWithDelta(2.0 / 252.0, $mixed->runsProbability, 1e-12);
        self::assertEqualsWithDelta(Residuals::of($x, $residuals, $slopes)->curvatureProbability, $mixed->curvatureProbability, 1e-9);
    }

    public function test_a_curve_that_bends_like_a_parabola_has_no_curvature_left(): void
    {
        $x = range(0.0, 9.0);
        $noise = [0.1, -0.2, 0.15, -0.05, 0.2, -0.1, 0.05, -0.15, 0.1, -0.1];
        $slopes = [array_fill(0, 10, 1.0), $x, array_map(static fn (float $v): float => $v * $v, $x)];

        self::assertSame(1.0, Residuals::of($x, $noise, $slopes)->curvatureProbability);
        self::assertSame(1.0, Residuals::of($x, array_fill(0, 10, 0.0), [$slopes[0]])->curvatureProbability);
    }

    public function test_of_three_constants_the_two_that_go_together_are_named(): void
    {
        $constants = array_map(static fn (string $name): FittedConstant => new FittedConstant($name, 5.0, 1.0, 7, null), ['a', 'b', 'c']);
        $coupled = static fn (array $covariance): array => array_values(array_map(static fn (Warning $w): string => $w->title,
            array_filter(FitWarnings::of(Outcome::Converged, $constants, $covariance, 7, false, [false, false, false]), static fn (Warning $w): bool => $w->code === 'coupled')));

        self::assertSame(['b and c can hardly be told apart.'], $coupled([[1.0, 0.5, 0.2], [0.5, 4.0, -5.997], [0.2, -5.997, 9.0]]));
        self::assertSame(['a and c can hardly be told apart.'], $coupled([[1.0, 0.5, 2.9985], [0.5, 4.0, 0.1], [2.9985, 0.1, 9.0]]));
        self::assertSame([], $coupled([[1.0, 0.5, 2.99], [0.5, 4.0, 0.1], [2.99, 0.1, 9.0]]));
    }

    public function test_the_deepest_of_several_valleys_is_found_without_a_start(): void
    {
        // A slow and a fast wave fit the same few points; the wrong valley leaves twice the scatter of the points.
        $x = array_map(static fn (int $i): float => 0.25 * $i, range(0, 59));
        foreach ([0.8, 2.3, 5.1, 9.7] as $frequency) {
            $y = array_map(static fn (float $v): float => 3.0 * sin($frequency * $v + 0.4) + 1.0 + 0.3 * sin(37.0 * $v), $x);
            $fit = (new CurveFitter)->fit(Relation::Sine->curve(), $x, $y);

            self::assertTrue($fit->hasConverged());
            self::assertLessThan(0.5, $fit->rmse(), "frequency {$frequency}");
        }
    }

    public function test_a_weight_that_is_none_is_refused(): void
    {
        foreach ([NAN, 0.0, -1.0] as $weight) {
            try {
                (new CurveFitter)->fit(Relation::Linear->curve(), self::X, self::Y, weights: [$weight, ...array_slice(self::WEIGHTS, 1)]);
                self::fail("Accepted {$weight}.");
            } catch (InvalidQuantity $error) {
                self::assertStringContainsString('weight', $error->getMessage());
            }
        }
    }
}
