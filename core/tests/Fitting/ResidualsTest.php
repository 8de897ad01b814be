<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Fitting\Residuals;
use Welkion\Core\Tests\Chance;

/** Chances of runs against the published distribution, and the numbers by which curves are compared. */
final class ResidualsTest extends TestCase
{
    /**
     * Wald and Wolfowitz, Ann. Math. Statist. 11 (1940) 147, and Swed and Eisenhart's tables, Ann. Math. Statist. 14 (1943) 66.
     *
     * @return iterable<string, array{string, float}> signs, and the chance of so few runs
     */
    public static function runs(): iterable
    {
        yield 'five and five in two runs' => ['+++++-----', 2.0 / 252.0];
        yield 'in three' => ['++-----+++', 10.0 / 252.0];
        yield 'in four' => ['+++--++---', 42.0 / 252.0];
        yield 'five and two in two' => ['+++++--', 2.0 / 21.0];
        yield 'five and two in three' => ['++--+++', 7.0 / 21.0];
        yield 'four and three in six' => ['+-+-++-', 34.0 / 35.0];
        yield 'all on one side' => ['++++++', 1.0];
    }

    #[DataProvider('runs')]
    public function test_tells_the_chance_of_so_few_runs(string $signs, float $chance): void
    {
        self::assertEqualsWithDelta($chance, self::chanceOf($signs), 1e-12);
    }

    public function test_beyond_sixty_points_the_normal_distribution_stands_in(): void
    {
        // 32 and 32 in 24 runs: expected 33, standard deviation sqrt(32 * 31 / 63) = 3.9681; z = -2.1421, P = 0.016093.
        $signs = str_repeat('+', 9).'-'.str_repeat('+-', 10).str_repeat('+', 13).str_repeat('-', 21);
        self::assertSame([32, 32], [substr_count($signs, '+'), substr_count($signs, '-')]);

        self::assertEqualsWithDelta(0.016093, self::chanceOf($signs), 2e-5);
    }

    public function test_a_straight_line_through_a_parabola_bends_and_through_noise_does_not(): void
    {
        $x = range(0.0, 11.0);
        $noise = [0.3, -0.2, 0.1, -0.4, 0.2, 0.3, -0.3, 0.1, -0.2, 0.4, -0.1, -0.2];
        $fit = static fn (float $bend): bool => (new CurveFitter)->fit(Relation::Linear->curve(), $x, array_map(static fn (float $v, float $n): float => 2.0 + $v + $bend * $v * $v + $n, $x, $noise))->bends();

        self::assertTrue($fit(0.1));
        self::assertFalse($fit(0.0));
    }

    public function test_of_very_many_points_a_bend_is_seen_too_also_where_they_come_in_rounds(): void
    {
        $chance = new Chance(11);
        foreach ([1, 25, 3000] as $round) {
            // 100,000 points, in x again and again from 0 to 1, or once.
            $x = array_map(static fn (int $i): float => $round === 1 ? $i / 1e5 : fmod($i, $round) / $round, range(0, 99_999));
            $noise = array_map(static fn (): float => 0.1 * $chance->normal(), $x);
            $bends = static fn (float $bend): bool => (new CurveFitter)->fit(Relation::Linear->curve(), $x, array_map(static fn (float $v, float $n): float => 2.0 + $v + $bend * $v * $v + $n, $x, $noise))->bends();

            self::assertTrue($bends(0.3), "In rounds of {$round}.");
            self::assertFalse($bends(0.0), "In rounds of {$round}.");
        }
    }

    public function test_what_rounding_leaves_is_a_billionth(): void
    {
        self::assertTrue(Residuals::areRounding(24e-18, [4.0, 3.0]));
        self::assertFalse(Residuals::areRounding(26e-18, [4.0, 3.0]));
    }

    public function test_points_at_one_place_count_as_they_were_taken_and_not_by_their_sign(): void
    {
        // Ten at each of two places, up and down in turn: nothing but noise, whatever the order of the places.
        $residuals = array_map(static fn (int $i): float => $i % 2 === 0 ? 1.0 : -1.0, range(0, 19));
        $at = static fn (float $first, float $second): float => Residuals::of([...array_fill(0, 10, $first), ...array_fill(0, 10, $second)], $residuals, [array_fill(0, 20, 1.0)])->runsProbability;

        self::assertGreaterThan(0.99, $at(1.0, 2.0));
        self::assertGreaterThan(0.99, $at(2.0, 1.0));
    }

    public function test_the_criterion_of_akaike_by_hand_and_where_there_is_none(): void
    {
        $fit = static fn (int $n) => (new CurveFitter)->fit(Relation::Linear->curve(), range(0.0, $n - 1.0), array_slice([1.0, 3.2, 4.9, 7.1, 9.0, 11.2], 0, $n));

        // Two constants and the scatter are three: n ln(rest / n) + 6 + 24 / (n - 4).
        $five = $fit(5);
        self::assertEqualsWithDelta(5.0 * log($five->residualSumOfSquares / 5.0) + 6.0 + 24.0, $five->aicc(), 1e-9);
        self::assertNan($fit(4)->aicc());
    }

    public function test_a_curve_through_points_that_are_all_alike_explains_all_there_is(): void
    {
        self::assertSame(1.0, (new CurveFitter)->fit(Relation::Linear->curve(), [0.0, 1.0, 2.0], [0.0, 0.0, 0.0])->rSquared);
    }

    private static function chanceOf(string $signs): float
    {
        $x = array_map(floatval(...), range(0, strlen($signs) - 1));

        return Residuals::of($x, array_map(static fn (string $s): float => $s === '+' ? 1.0 : -1.0, str_split($signs)), [array_fill(0, count($x), 1.0)])->runsProbability;
    }
}
