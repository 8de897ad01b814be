<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Linear;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Fitting\Residuals;
use Welkion\Core\Fitting\TrustRegion;
use Welkion\Core\Linear\DoubledPrecision;
use Welkion\Core\Linear\LeastSquares;
use Welkion\Core\Linear\QrDecomposition;
use Welkion\Core\Linear\Triangle;
use Welkion\Core\Tests\Chance;

final class LeastSquaresTest extends TestCase
{
    public function test_a_polynomial_of_degree_nine_comes_back_from_its_own_values(): void
    {
        $x = array_map(static fn (int $i): float => $i / 4.0, range(0, 24));
        $columns = array_map(static fn (int $k): array => array_map(static fn (float $v): float => $v ** $k, $x), range(0, 9));
        $constants = array_map(static fn (int $k): float => 1.0 / (1 << $k), range(0, 9));
        $y = array_map(static fn (int $i): float => array_sum(array_map(static fn (array $c, float $a): float => $a * $c[$i], $columns, $constants)), range(0, 24));
        $fit = LeastSquares::solve($columns, $y);

        self::assertNotNull($fit);
        foreach ($constants as $k => $value) {
            // The columns are alike to eleven digits; the values themselves are rounded.
            self::assertEqualsWithDelta($value, $fit->constants[$k], 1e-5 * $value);
        }
    }

    public function test_residuals_stand_at_right_angles_to_every_column(): void
    {
        $chance = new Chance(2);
        $columns = array_map(static fn (): array => array_map(static fn (): float => $chance->between(-1.0, 1.0), range(1, 30)), range(1, 4));
        $y = array_map(static fn (): float => $chance->between(-1.0, 1.0), range(1, 30));
        $fit = LeastSquares::solve($columns, $y);

        self::assertNotNull($fit);
        foreach ($columns as $column) {
            self::assertEqualsWithDelta(0.0, DoubledPrecision::dot($column, $fit->residuals), 1e-13);
        }
    }

    public function test_standard_errors_of_a_mean_are_those_of_the_textbook(): void
    {
        $fit = LeastSquares::solve([[1.0, 1.0, 1.0, 1.0]], [1.0, 2.0, 3.0, 4.0]);

        self::assertNotNull($fit);
        self::assertEqualsWithDelta(sqrt(5.0 / 3.0 / 4.0), $fit->standardErrors()[0], 1e-15);
    }

    public function test_columns_that_say_the_same_are_not_solved(): void
    {
        self::assertNull(LeastSquares::solve([[1.0, 2.0, 3.0], [2.0, 4.0, 6.0]], [1.0, 2.0, 3.0]));
        self::assertNull(LeastSquares::solve([[0.0, 0.0, 0.0]], [1.0, 2.0, 3.0]));
    }

    public function test_wrong_shapes_are_refused(): void
    {
        foreach ([[UnequalLengths::class, [[1.0, 2.0]], [1.0]], [NotEnoughPoints::class, [[1.0], [2.0]], [1.0]]] as [$class, $columns, $y]) {
            try {
                LeastSquares::solve($columns, $y);
                self::fail('Accepted.');
            } catch (\Exception $error) {
                self::assertInstanceOf($class, $error);
            }
        }
    }

    public function test_sums_keep_what_a_plain_loop_loses(): void
    {
        self::assertSame(2.0, DoubledPrecision::dot([1e16, 1.0, -1e16, 1.0], [1.0, 1.0, 1.0, 1.0]));
        // (1 + e)(1 - e) - 1 = -e^2, which a double product rounds away.
        $e = 2.0 ** -30;
        self::assertSame(-($e * $e), DoubledPrecision::dot([1.0 + $e, -1.0], [1.0 - $e, 1.0]));
    }

    public function test_columns_of_any_size_can_be_decomposed(): void
    {
        foreach ([1e-100, 1.0, 1e100] as $size) {
            $triangle = Triangle::ofQr(new QrDecomposition([[3.0 * $size, 4.0 * $size, 0.0], [0.0, 0.0, 2.0 * $size]]));

            self::assertEqualsWithDelta(5.0, $triangle->scale[0] / $size, 1e-12);
            self::assertEqualsWithDelta(1.0, $triangle->independence(), 1e-12);
        }
    }

    /** @return iterable<string, array{int}> points */
    public static function sizes(): iterable
    {
        yield 'short' => [50];
        yield 'long' => [5000];
    }

    #[DataProvider('sizes')]
    public function test_the_triangle_carries_all_that_a_step_needs(int $n): void
    {
        $chance = new Chance(4);
        $columns = array_map(static fn (): array => array_map(static fn (): float => $chance->normal(), range(1, $n)), range(1, 3));
        $y = array_map(static fn (): float => $chance->normal(), range(1, $n));
        $triangle = Triangle::of($columns, $y);
        $step = $triangle->solved($triangle->projection);
        $fit = LeastSquares::solve($columns, $y);

        self::assertNotNull($fit);
        self::assertEqualsWithDelta($fit->constants, $step, 1e-12);
        $along = 0.0;
        for ($i = 0; $i < $n; $i++) {
            $along += ($step[0] * $columns[0][$i] + $step[1] * $columns[1][$i] + $step[2] * $columns[2][$i]) ** 2;
        }
        self::assertEqualsWithDelta($along, $triangle->squared($step), 1e-9 * $along);
    }

    public function test_a_damped_step_stays_within_its_radius_and_turns_downhill(): void
    {
        $columns = [[1.0, 2.0, 3.0, 4.0], [1.0, 0.0, -1.0, 2.0]];
        $triangle = Triangle::of($columns, [5.0, 1.0, 2.0, -3.0]);
        $region = TrustRegion::of($triangle, $triangle->projection, [1.0, 1.0]);
        [$full, $none] = $region->step(100.0);

        self::assertSame(0.0, $none);
        self::assertEqualsWithDelta($triangle->solved($triangle->projection), $full, 1e-12);
        foreach ([0.3, 0.1, 1e-3] as $radius) {
            [$step, $damping] = $region->step($radius);
            self::assertGreaterThan(0.0, $damping);
            self::assertEqualsWithDelta($radius, hypot(...$step), 0.06 * $radius);
        }
        // Very short steps follow the gradient A^T y = (5 + 2 + 6 - 12, 5 - 2 - 6) = (1, -3).
        self::assertEqualsWithDelta(-3.0, $step[1] / $step[0], 1e-2);
    }

    public function test_runs_of_one_sign_are_as_unlikely_as_counting_says(): void
    {
        $x = range(1.0, 8.0);
        $slopes = [array_fill(0, 8, 1.0)];

        // Four above, then four below: 2 of the C(8, 4) = 70 orders have so few runs.
        self::assertEqualsWithDelta(2.0 / 70.0, Residuals::of($x, [1.0, 2.0, 1.0, 2.0, -1.0, -2.0, -1.0, -2.0], $slopes)->runsProbability, 1e-12);
        // Changing sign every time is as many runs as there can be.
        self::assertEqualsWithDelta(1.0, Residuals::of($x, [1.0, -1.0, 1.0, -1.0, 1.0, -1.0, 1.0, -1.0], $slopes)->runsProbability, 1e-12);
        self::assertSame(1.0, Residuals::of([1.0, 2.0], [1.0, -1.0], [[1.0, 1.0]])->runsProbability);
    }
}
