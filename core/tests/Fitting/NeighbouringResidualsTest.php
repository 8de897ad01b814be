<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\NeighbouringResiduals;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Linear\LeastSquares;
use Welkion\Core\Tests\Chance;

/** The ratio of Durbin and Watson against their published bounds, and what it adds to the verdict on a curve. */
final class NeighbouringResidualsTest extends TestCase
{
    /**
     * Their bounds for 5 %, with so many constants beside the height (Biometrika 38, 1951, 159, table 4; those of 6 and 10 points: Savin and
     * White, Econometrica 45, 1977, 1989, table II).
     *
     * @return iterable<string, array{int, int, float, float}>
     */
    public static function bounds(): iterable
    {
        yield '6 points' => [6, 1, 0.610, 1.400];
        yield '10 points' => [10, 1, 0.879, 1.320];
        yield '15 points' => [15, 1, 1.077, 1.361];
        yield '20 points and a parabola' => [20, 2, 1.100, 1.537];
        yield '30 points' => [30, 1, 1.352, 1.489];
        yield '100 points' => [100, 1, 1.654, 1.694];
    }

    #[DataProvider('bounds')]
    public function test_lies_within_the_published_bounds_and_for_even_steps_at_the_upper_one(int $n, int $constants, float $lower, float $upper): void
    {
        $x = range(1.0, (float) $n);
        $slopes = array_slice([array_fill(0, $n, 1.0), $x, array_map(static fn (float $v): float => $v * $v, $x)], 0, $constants + 1);

        self::assertLessThan(0.05, NeighbouringResiduals::probabilityBelow($lower, $n, $slopes));
        // Slowly changing columns reach the upper bound (the same paper, section 3); both are given to three decimals, a beta distribution is exact to some thousandths.
        self::assertEqualsWithDelta(0.05, NeighbouringResiduals::probabilityBelow($upper, $n, $slopes), 0.002);
    }

    public function test_of_random_residuals_each_chance_comes_as_often_as_it_says_also_beside_columns_that_swing(): void
    {
        $chance = new Chance(8);
        $n = 12;
        $slopes = [array_fill(0, $n, 1.0), array_map(static fn (int $i): float => sin(1.9 * $i), range(1, $n)), array_map(static fn (int $i): float => cos(1.9 * $i), range(1, $n))];
        $below = 0;
        for ($i = 0; $i < 2000; $i++) {
            $noise = array_map(static fn (): float => $chance->normal(), $slopes[0]);
            $left = LeastSquares::solve($slopes, $noise)->residuals ?? [];
            $below += NeighbouringResiduals::probability($left, $slopes) < 0.1 ? 1 : 0;
        }

        // 200 with a standard deviation of 13.
        self::assertEqualsWithDelta(200, $below, 45);
    }

    public function test_of_more_points_what_a_curve_follows_hardly_matters(): void
    {
        $probability = static fn (int $n, float $ratio): float => NeighbouringResiduals::probabilityBelow($ratio, $n, [array_fill(0, $n, 1.0), range(1.0, (float) $n)]);

        foreach ([1.8, 1.9, 2.0, 2.1] as $ratio) {
            self::assertEqualsWithDelta($probability(500, $ratio), $probability(501, $ratio), 0.02);
        }
    }

    public function test_where_nothing_is_left_over_or_nothing_can_be_known_there_is_no_pattern(): void
    {
        self::assertSame(1.0, NeighbouringResiduals::probability([0.0, 0.0, 0.0, 0.0], [array_fill(0, 4, 1.0)]));
        self::assertSame(1.0, NeighbouringResiduals::probabilityBelow(0.5, 3, [array_fill(0, 3, 1.0), [1.0, 2.0, 3.0]]));
    }

    public function test_a_wave_of_fifteen_points_about_a_curve_is_a_pattern(): void
    {
        $x = range(0.0, 28.0, 2.0);
        $left = static fn (\Closure $at): bool => (new CurveFitter)->fit(
            Relation::ExponentialDecay->curve(), $x, array_map(static fn (float $t, int $i): float => 20.0 + 60.0 * exp(-$t / 8.0) + 0.05 * $at($i), $x, array_keys($x)),
        )->bends();

        // Neither so few runs of one sign nor the curvature tells it: 6 % and 64 %.
        self::assertTrue($left(static fn (int $i): float => sin(0.717 * $i)));
        self::assertFalse($left(static fn (int $i): float => sin(7.0 * $i * $i)));
    }

    public function test_points_that_scatter_by_chance_are_not_taken_for_a_pattern(): void
    {
        $chance = new Chance(3);
        foreach ([8, 15, 40] as $n) {
            $x = range(1.0, (float) $n);
            $bends = 0;
            for ($i = 0; $i < 1000; $i++) {
                $bends += (new CurveFitter)->fit(Relation::Linear->curve(), $x, array_map(static fn (float $at): float => 2.0 * $at + $chance->normal(), $x))->bends() ? 1 : 0;
            }
            // Ten or twelve in a thousand are, with a standard deviation of 3.5.
            self::assertLessThan(24, $bends, "{$n} points");
        }
    }
}
