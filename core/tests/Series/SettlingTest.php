<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\Settling;
use Welkion\Core\Tests\Chance;

/** Signals whose end is known: y = end + a exp(-t / tau). */
final class SettlingTest extends TestCase
{
    /** @return iterable<string, array{float, float, float}> a, tau in s, seconds seen */
    public static function exponentials(): iterable
    {
        yield 'falling' => [20.0, 30.0, 60.0];
        yield 'rising' => [-20.0, 30.0, 60.0];
        yield 'fast' => [5.0, 6.0, 40.0];
        yield 'slow' => [40.0, 60.0, 59.0];
    }

    #[DataProvider('exponentials')]
    public function test_the_distance_from_the_end_and_its_pace_are_those_of_the_exponential(float $a, float $tau, float $seen): void
    {
        $seconds = self::seconds($seen);
        $settling = Settling::of($seconds, array_map(static fn (float $t): float => 7.0 + $a * exp(-$t / $tau), $seconds), 10.0);
        // The mean of the last ten seconds less the end, by integration.
        $bias = $a * $tau / 10.0 * (exp(-($seen - 10.0) / $tau) - exp(-$seen / $tau));

        self::assertNotNull($settling);
        // Time constants are tried in steps of a fifth.
        self::assertEqualsWithDelta($tau, $settling->timeConstant, 0.11 * $tau);
        self::assertEqualsWithDelta($bias, $settling->bias, 0.2 * abs($bias) + 0.01 * abs($a));
        self::assertGreaterThanOrEqual(abs($settling->bias), $settling->worstBias);
        self::assertTrue($settling->isSeen);
    }

    public function test_the_worst_case_holds_the_truth_as_far_as_time_constants_are_told_apart(): void
    {
        $chance = new Chance(3);
        $seconds = self::seconds(45.0);
        $held = $wide = 0;
        for ($trial = 0; $trial < 200; $trial++) {
            $tau = $chance->between(5.0, 25.0);
            $noisy = array_map(static fn (float $t): float => 3.0 * exp(-$t / $tau) + 0.05 * $chance->normal(), $seconds);
            $bias = 3.0 * $tau / 10.0 * (exp(-35.0 / $tau) - exp(-45.0 / $tau));
            $settling = Settling::of($seconds, $noisy, 10.0);
            self::assertNotNull($settling);
            $held += $settling->worstBias >= 0.69 * $bias ? 1 : 0;
            $wide += $settling->worstBias > 3.0 * $bias + 0.05 ? 1 : 0;
        }

        // Time constants are tried in steps of a fifth: half a step less takes up to 31 % off the bias, which the safe share
        // of Steadiness makes good. Two standard deviations of a profile: no less than 95 of 100.
        self::assertGreaterThanOrEqual(190, $held);
        self::assertLessThanOrEqual(10, $wide);
    }

    public function test_what_never_ends_within_sight_is_not_judged(): void
    {
        $seconds = self::seconds(30.0);

        self::assertFalse(Settling::of($seconds, array_map(static fn (float $t): float => 0.1 * $t, $seconds), 10.0)?->isSeen);
        // Eight pieces of a second are the fewest.
        self::assertNull(Settling::of(self::seconds(6.0), array_map(static fn (float $t): float => exp(-$t), self::seconds(6.0)), 10.0));
        self::assertNotNull(Settling::of(self::seconds(9.5), array_map(static fn (float $t): float => exp(-$t), self::seconds(9.5)), 10.0));
        self::assertNull(Settling::of([], [], 10.0));
    }

    public function test_only_what_came_after_the_last_movement_counts(): void
    {
        $seconds = self::seconds(60.0);
        $moved = Settling::of($seconds, array_map(static fn (float $t): float => $t < 30.0 ? 50.0 : 20.0 + 8.0 * exp(-($t - 30.0) / 8.0), $seconds), 10.0);
        $bias = 8.0 * 8.0 / 10.0 * (exp(-20.0 / 8.0) - exp(-30.0 / 8.0));

        self::assertNotNull($moved);
        self::assertEqualsWithDelta(8.0, $moved->timeConstant, 1.5);
        self::assertEqualsWithDelta($bias, $moved->bias, 0.25 * $bias);
    }

    public function test_the_rate_of_the_samples_changes_hardly_anything(): void
    {
        $of = static function (float $step): float {
            $seconds = self::seconds(50.0, $step);

            return Settling::of($seconds, array_map(static fn (float $t): float => 2.0 * exp(-$t / 15.0), $seconds), 10.0)->bias ?? NAN;
        };

        self::assertEqualsWithDelta($of(0.5), $of(0.01), 0.02);
    }

    public function test_nothing_older_than_six_windows_is_looked_at(): void
    {
        $recent = static fn (float $t): float => 4.0 * exp(-($t - 100.0) / 20.0);
        $seconds = self::seconds(160.0);
        $long = Settling::of($seconds, array_map(static fn (float $t): float => $t < 99.0 ? sin($t) : $recent($t), $seconds), 10.0);
        $late = array_values(array_filter($seconds, static fn (float $t): bool => $t > 100.05));
        $short = Settling::of($late, array_map($recent, $late), 10.0);

        self::assertNotNull($long);
        self::assertEqualsWithDelta($short?->bias, $long->bias, 0.01);
    }

    /** @return list<float> */
    private static function seconds(float $seen, float $step = 0.1): array
    {
        return array_map(static fn (int $i): float => $step * $i, range(0, (int) round($seen / $step)));
    }
}
