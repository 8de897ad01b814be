<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\SettlingCurve;
use Welkion\Core\Exception\NotEnoughPoints;

/** Curves whose end and slope are known: an exponential, a straight line, a halt. */
final class SettlingCurveTest extends TestCase
{
    public function test_an_exponential_ends_where_it_was_going(): void
    {
        $curve = $this->curve(60, static fn (float $t): float => 100.0 + 20.0 * exp(-$t / 30.0));

        // After two time constants it still has 2.8 to go.
        self::assertEqualsWithDelta(100.0, $curve->end(), 1e-4);
        self::assertEqualsWithDelta(20.0 - 20.0 * exp(-59.0 / 30.0), $curve->height(), 1e-9);
        self::assertSame(59.0, $curve->lastSecond());
    }

    public function test_what_has_no_end_ends_at_the_mean_of_its_last_window(): void
    {
        // A line and a growth lead nowhere near: the last ten seconds, 50 to 59, count.
        self::assertEqualsWithDelta(2.0 * 54.5, $this->curve(60, static fn (float $t): float => 2.0 * $t)->end(), 1e-9);
        $growing = $this->curve(60, static fn (float $t): float => exp($t / 20.0));
        self::assertEqualsWithDelta(array_sum(array_map(static fn (int $t): float => exp($t / 20.0), range(50, 59))) / 10.0, $growing->end(), 1e-9);
        self::assertEqualsWithDelta(2.0 * 57.0, $this->curve(60, static fn (float $t): float => 2.0 * $t)->end(5.0), 1e-9);
    }

    public function test_six_samples_are_the_fewest_whose_end_is_foreseen(): void
    {
        $of = static fn (float $t): float => 50.0 - 8.0 * exp(-$t);

        self::assertEqualsWithDelta(50.0, $this->curve(6, $of)->end(), 1e-3);
        self::assertEqualsWithDelta(array_sum(array_map($of, [0.0, 1.0, 2.0, 3.0, 4.0])) / 5.0, $this->curve(5, $of)->end(), 1e-9);
    }

    public function test_the_drift_at_a_moment_is_that_of_the_ten_seconds_before_it(): void
    {
        $curve = $this->curve(60, static fn (float $t): float => $t < 30.0 ? 0.0 : 3.0 * ($t - 30.0));

        self::assertEqualsWithDelta(0.0, $curve->near(29.0)->slope, 1e-12);
        self::assertEqualsWithDelta(3.0, $curve->near(40.0)->slope, 1e-12);
        self::assertGreaterThan(0.5, $curve->near(39.0)->slope);
        self::assertLessThan(3.0, $curve->near(39.0)->slope);
    }

    public function test_a_slow_probe_is_judged_by_three_samples_however_far_back_they_lie(): void
    {
        $curve = SettlingCurve::of([0.0, 20.0, 40.0, 60.0], [1.0, 5.0, 9.0, 11.0]);

        self::assertEqualsWithDelta(0.2, $curve->near(50.0)->slope, 1e-12);
        $this->expectException(NotEnoughPoints::class);
        $curve->near(39.0);
    }

    public function test_two_samples_are_no_curve(): void
    {
        $this->expectException(NotEnoughPoints::class);
        SettlingCurve::of([0.0, 1.0], [1.0, 2.0]);
    }

    /** @param  callable(float): float  $of  of the second */
    private function curve(int $samples, callable $of): SettlingCurve
    {
        $seconds = array_map(floatval(...), range(0, $samples - 1));

        return SettlingCurve::of($seconds, array_map($of, $seconds));
    }
}
