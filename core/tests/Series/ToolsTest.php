<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Series\Baseline;
use Welkion\Core\Series\Crossings;
use Welkion\Core\Series\Derivative;
use Welkion\Core\Series\Resampling;
use Welkion\Core\Series\Running;
use Welkion\Core\Series\SavitzkyGolay;
use Welkion\Core\Series\Series;
use Welkion\Core\Series\Spikes;
use Welkion\Core\Series\SteadyState;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Uncertainty\Median;

final class ToolsTest extends TestCase
{
    private const ROUNDING = 1e-9;

    public function test_three_points_are_exact_for_a_parabola_in_uneven_steps(): void
    {
        $x = [0.0, 0.3, 1.0, 1.1, 2.5, 4.0];
        $series = Series::of($x, array_map(static fn (float $v): float => 2.0 * $v * $v - 3.0 * $v + 1.0, $x));

        foreach (Derivative::first($series) as $i => $slope) {
            self::assertEqualsWithDelta(4.0 * $x[$i] - 3.0, $slope, self::ROUNDING);
        }
        self::assertEqualsWithDelta(array_fill(0, 6, 4.0), Derivative::second($series), self::ROUNDING);
    }

    public function test_local_polynomials_are_exact_for_their_degree_and_calm_noise(): void
    {
        $chance = new Chance(3);
        $x = [];
        for ($i = 0; $i < 80; $i++) {
            $x[] = 0.1 * $i + $chance->between(0.0, 0.08);
        }
        $cubic = Series::of($x, array_map(static fn (float $v): float => $v ** 3 - $v, $x));
        foreach (Derivative::local($cubic, 9, 3, 1) as $i => $slope) {
            self::assertEqualsWithDelta(3.0 * $x[$i] ** 2 - 1.0, $slope, 1e-7 * max(1.0, abs($slope)));
        }
        $noisy = Series::of($x, array_map(static fn (float $v): float => 2.0 * $v + 0.01 * $chance->normal(), $x));
        $error = static fn (array $slopes): float => sqrt(array_sum(array_map(static fn (float $s): float => ($s - 2.0) ** 2, $slopes)) / count($slopes));
        self::assertLessThan(0.25 * $error(Derivative::first($noisy)), $error(Derivative::local($noisy, 15, 1, 1)));
    }

    public function test_moving_polynomials_have_the_published_weights(): void
    {
        // Savitzky and Golay 1964, table I: (-3, 12, 17, 12, -3) / 35, seen by smoothing a single one.
        $impulse = [0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0];
        self::assertEqualsWithDelta([-3 / 35, 12 / 35, 17 / 35, 12 / 35, -3 / 35], array_slice((new SavitzkyGolay(5, 2, 0))->of($impulse), 2, 5), self::ROUNDING);
        // Table IV, first derivative, cubic, 7 points: (22, -67, -58, 0, 58, 67, -22) / 252.
        $impulse = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        self::assertEqualsWithDelta([-22 / 252, 67 / 252, 58 / 252, 0.0, -58 / 252, -67 / 252, 22 / 252], array_slice((new SavitzkyGolay(7, 3, 1))->of($impulse), 3, 7), self::ROUNDING);
    }

    /** @return iterable<string, array{int, int, int}> window, degree, order */
    public static function polynomials(): iterable
    {
        yield 'smoothing' => [7, 2, 0];
        yield 'slope' => [11, 3, 1];
        yield 'curvature' => [9, 4, 2];
    }

    #[DataProvider('polynomials')]
    public function test_moving_polynomials_follow_a_polynomial_to_the_very_ends(int $window, int $degree, int $order): void
    {
        $y = array_map(static fn (int $i): float => 0.5 * (0.1 * $i) ** 2 - 0.1 * $i, range(0, 30));
        $expected = array_map(static fn (int $i): float => [0.5 * (0.1 * $i) ** 2 - 0.1 * $i, 0.1 * $i - 1.0, 1.0][$order], range(0, 30));

        self::assertEqualsWithDelta($expected, (new SavitzkyGolay($window, $degree, $order))->of($y, 0.1), 1e-8);
    }

    public function test_windows_that_make_no_sense_are_refused(): void
    {
        foreach ([
            [static fn () => new SavitzkyGolay(6, 2, 0), InvalidQuantity::class], [static fn () => new SavitzkyGolay(5, 5, 0), InvalidQuantity::class],
            [static fn () => (new SavitzkyGolay(11, 2, 0))->of([1.0, 2.0]), NotEnoughPoints::class],
            [static fn () => (new SavitzkyGolay(3, 1, 1))->of([1.0, 2.0, 3.0], 0.0), InvalidQuantity::class],
            [static fn () => Running::mean([1.0], 4), InvalidQuantity::class], [static fn () => Spikes::in([1.0], 4), InvalidQuantity::class],
            [static fn () => Derivative::first(Series::of([1.0, 2.0], [1.0, 2.0])), NotEnoughPoints::class],
            [static fn () => Resampling::even(Series::of([0.0, 1.0], [0.0, 1.0]), 1e-9), InvalidQuantity::class],
        ] as $case => [$act, $class]) {
            try {
                $act();
                self::fail("Case {$case} was accepted.");
            } catch (\Exception $error) {
                self::assertInstanceOf($class, $error);
            }
        }
    }

    public function test_running_means_and_medians_are_shorter_at_the_ends(): void
    {
        self::assertEqualsWithDelta([1.5, 2.0, 14.0, 44.0 / 3.0, 44.0 / 3.0, 3.5], Running::mean([1.0, 2.0, 3.0, 37.0, 4.0, 3.0], 3), self::ROUNDING);
        self::assertSame([1.5, 2.0, 3.0, 4.0, 4.0, 3.5], Running::median([1.0, 2.0, 3.0, 37.0, 4.0, 3.0], 3));
    }

    public function test_a_running_mean_passes_over_blanks_and_leaves_them_blank(): void
    {
        $means = Running::mean([1.0, NAN, 3.0, 5.0], 3);

        self::assertNan($means[1]);
        self::assertEqualsWithDelta([1.0, 4.0, 4.0], [$means[0], $means[2], $means[3]], self::ROUNDING);
    }

    public function test_a_wild_sample_is_a_spike_and_a_step_is_none(): void
    {
        $chance = new Chance(5);
        $y = array_map(static fn (int $i): float => ($i < 50 ? 20.0 : 25.0) + 0.02 * $chance->normal(), range(0, 99));
        $y[30] += 1.0;

        self::assertSame([30], Spikes::in($y, 11, 8.0));
        self::assertSame([], Spikes::in($y, 11, 8.0, least: 1.5));
    }

    public function test_a_normal_scatter_is_told_from_its_median(): void
    {
        $chance = new Chance(6);
        $values = array_map(static fn (): float => 5.0 + 0.3 * $chance->normal(), range(1, 4000));

        // The median absolute deviation of n values is good to 1.17/sqrt(n).
        self::assertEqualsWithDelta(0.3, Median::deviation($values), 4 * 0.3 * 1.17 / sqrt(4000));
    }

    public function test_areas_lie_between_the_points_and_a_baseline(): void
    {
        $span = Series::of([0.0, 1.0, 3.0], [2.0, 4.0, 6.0]);

        // Trapezoids by hand: 1 (2 + 4)/2 + 2 (4 + 6)/2 = 13.
        self::assertEqualsWithDelta(13.0, $span->area(), self::ROUNDING);
        self::assertEqualsWithDelta(7.0, $span->area(Baseline::FirstPoint), self::ROUNDING);
        self::assertEqualsWithDelta(1.0, $span->area(Baseline::Ends), self::ROUNDING);
        self::assertSame(0.0, Series::of([2.0], [5.0])->area(), 'One point encloses nothing.');
        $this->expectException(NotEnoughPoints::class);
        Series::of([], [])->area();
    }

    public function test_numbers_whose_sum_is_too_large_are_numbers(): void
    {
        self::assertSame([1e308, 1.7e308], Series::of([1.0, 2.0], [1e308, 1.7e308])->y);
        $this->expectException(InvalidQuantity::class);
        Series::of([1.0, 2.0], [1.0, INF]);
    }

    public function test_crossings_are_read_between_the_points_and_counted_once(): void
    {
        $series = Series::of([0.0, 1.0, 2.0, 3.0, 4.0], [-1.0, 1.0, 0.0, 0.0, -2.0]);

        self::assertSame([0.5, 2.0], Crossings::of($series, 0.0));
        self::assertSame([0.75, 1.5], Crossings::of($series, 0.5));
        self::assertSame([], Crossings::of($series, 9.0));
    }

    public function test_resampling_stays_on_the_lines_between_points(): void
    {
        $even = Resampling::even(Series::of([0.0, 0.3, 1.0], [0.0, 3.0, 10.0]), 0.25);

        self::assertEqualsWithDelta([0.0, 0.25, 0.5, 0.75, 1.0], $even->x, self::ROUNDING);
        self::assertEqualsWithDelta([0.0, 2.5, 5.0, 7.5, 10.0], $even->y, self::ROUNDING);
    }

    public function test_tells_from_when_on_a_run_is_steady(): void
    {
        $t = range(0.0, 60.0, 0.5);
        $settling = Series::of($t, array_map(static fn (float $v): float => 20.0 + 5.0 * exp(-$v / 4.0), $t));
        $from = SteadyState::from($settling, 10.0, 0.05, 0.02);

        self::assertNotNull($from);
        // Over 10 s the rest of the change must fall by 0.05: 5 exp(-t/4) (1 - exp(-2.5)) = 0.05 at t = 18; a fitted slope sees a little less.
        self::assertEqualsWithDelta(18.0, $from, 2.0);
        self::assertNull(SteadyState::from(Series::of($t, $t), 10.0, 0.05, 0.02));
    }

    public function test_windows_for_spikes_are_odd_and_five_at_least(): void
    {
        self::assertSame([], Spikes::in([1.0, 1.1, 0.9, 1.0, 1.1], 5));
        foreach ([3, 4, 6] as $window) {
            try {
                Spikes::in([1.0, 1.1, 0.9, 1.0, 1.1, 1.0, 0.9], $window);
                self::fail("Accepted {$window}.");
            } catch (InvalidQuantity $error) {
                self::assertStringContainsString("A window of {$window} samples", $error->getMessage());
            }
        }
    }

    public function test_two_points_are_enough_to_read_between(): void
    {
        $two = Series::of([1.0, 3.0], [10.0, 20.0]);

        self::assertSame([10.0, 15.0, 20.0, null, null], [$two->at(1.0), $two->at(2.0), $two->at(3.0), $two->at(0.9), $two->at(3.1)]);
        self::assertSame([10.0, 12.5, 15.0, 17.5, 20.0], Resampling::even($two, 0.5)->y);
        self::assertSame(5.0, $two->slopeAt(2.0));
    }

    public function test_a_step_that_is_no_number_is_refused(): void
    {
        $series = Series::of([0.0, 1.0, 2.0], [0.0, 1.0, 2.0]);
        foreach ([NAN, 0.0, -1.0] as $step) {
            foreach ([static fn () => Resampling::even($series, $step), static fn () => (new SavitzkyGolay(3, 1, 1))->of([1.0, 2.0, 3.0], $step)] as $do) {
                try {
                    $do();
                    self::fail("Accepted {$step}.");
                } catch (InvalidQuantity $error) {
                    self::assertStringContainsString('step', $error->getMessage());
                }
            }
        }
    }
}
