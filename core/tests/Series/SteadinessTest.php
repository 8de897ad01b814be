<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\Nernst;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Series\Steadiness;
use Welkion\Core\Series\SteadyLimits;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Tests\Reference;

final class SteadinessTest extends TestCase
{
    public function test_a_quiet_signal_is_steady_once_its_window_is_full(): void
    {
        [$early, $late] = [self::judge(static fn (): float => 176.3, 6.0), self::judge(static fn (): float => 176.3, 20.0)];

        self::assertFalse($early->isSteady);
        self::assertFalse($early->isWindowFull);
        self::assertTrue($late->isSteady);
        self::assertEqualsWithDelta(0.0, $late->scatter, 1e-9);
    }

    public function test_a_slow_drift_is_told_in_units_per_minute(): void
    {
        $drifting = self::judge(static fn (float $t): float => 100.0 + 0.05 * $t, 30.0);

        self::assertFalse($drifting->isSteady);
        self::assertEqualsWithDelta(3.0, $drifting->driftPerMinute, 1e-9);
    }

    public function test_only_what_noise_does_not_explain_is_moving(): void
    {
        $noise = static fn (float $t): float => 0.05 * sin(7919.0 * $t * $t);

        self::assertTrue(self::judge(static fn (float $t): float => 100.0 + 0.05 * $t, 30.0)->isMoving);
        self::assertTrue(self::judge(static fn (float $t): float => 100.0 - 0.05 * $t + $noise($t), 30.0)->isMoving);
        self::assertFalse(self::judge(static fn (float $t): float => 100.0 + $noise($t), 8.0)->isMoving, 'It is too early to call it steady, and it does not move.');
        self::assertFalse(self::judge(static fn (): float => 176.3, 20.0)->isMoving);
        self::assertFalse(self::judge(static fn (float $t): float => 100.0 + 0.03 * $t, 30.0, wasSteady: true)->isMoving, 'What is steady is not said to move.');
    }

    public function test_a_noisy_signal_without_drift_is_not_steady(): void
    {
        self::assertFalse(self::judge(static fn (float $t): float => 5.0 * (-1) ** (int) round($t * 4), 30.0)->isSteady);
    }

    public function test_once_steady_it_takes_more_than_a_breath_of_noise_to_lose_it(): void
    {
        $wavering = static fn (float $t): float => 100.0 + 0.03 * $t;

        self::assertFalse(self::judge($wavering, 30.0)->isSteady);
        self::assertTrue(self::judge($wavering, 30.0, wasSteady: true)->isSteady);
        self::assertFalse(self::judge(static fn (float $t): float => 2 * $wavering($t), 30.0, wasSteady: true)->isSteady);
    }

    public function test_what_was_called_steady_is_not_lost_because_noise_asks_for_a_longer_window(): void
    {
        // Quiet for five seconds, then with noise that hides a drift of half the limit: the window would be doubled, but only eight seconds have passed.
        $limits = SteadyLimits::of(driftPerMinute: 0.2, scatter: 0.05, tolerance: 0.05, windowS: 5.0);
        [$seconds, $values] = [[], []];
        for ($i = 0; $i <= 32; $i++) {
            $seconds[] = $i / 4;
            $values[] = 10.0 + ($i <= 12 ? 0.001 : 0.012) * ($i % 2 === 0 ? 1 : -1);
        }
        $early = Steadiness::of(array_slice($seconds, 0, 21), array_slice($values, 0, 21), $limits);
        self::assertTrue(Steadiness::of($seconds, $values, $limits, wasSteady: true)->isSteady);
        self::assertFalse(Steadiness::of($seconds, $values, $limits)->isSteady, 'Without that it would have to wait.');
        self::assertTrue($early->isWindowFull);
    }

    /** @return iterable<string, array{float, float}> standard deviation of the noise, samples a second */
    public static function noises(): iterable
    {
        // 0.0106 at 4 Hz hides just half the drift allowed in a window of 5 s: now one window is enough, now two are needed.
        foreach ([0.002, 0.0095, 0.0106, 0.012, 0.02] as $noise) {
            yield "{$noise} at 4 Hz" => [$noise, 4.0];
            yield "{$noise} at 20 Hz" => [$noise, 20.0];
        }
    }

    #[DataProvider('noises')]
    public function test_a_signal_at_rest_stays_steady_however_often_one_looks(float $noise, float $hertz): void
    {
        $limits = SteadyLimits::of(driftPerMinute: 0.2, scatter: 0.05, tolerance: 0.05, windowS: 5.0);
        $chance = new Chance(88);
        $lost = 0;
        for ($trial = 0; $trial < 20; $trial++) {
            $seconds = $values = [];
            $wasSteady = false;
            for ($i = 0; $i < 40 * $hertz; $i++) {
                $t = $i / $hertz;
                $seconds[] = $t;
                // The plunger was pushed by 30 mm; a hand needs a third of a second.
                $values[] = 30.0 - 30.0 * exp(-$t / 0.3) + $noise * $chance->normal();
                $now = Steadiness::of($seconds, $values, $limits, $wasSteady);
                $lost += $wasSteady && ! $now->isSteady ? 1 : 0;
                $wasSteady = $now->isSteady;
            }
            self::assertTrue($wasSteady, 'It is steady at the end.');
        }

        self::assertSame(0, $lost);
    }

    public function test_a_signal_that_begins_to_move_again_is_steady_no_longer(): void
    {
        $limits = SteadyLimits::of(driftPerMinute: 0.2, scatter: 0.05, tolerance: 0.05, windowS: 5.0);
        $chance = new Chance(89);
        $seconds = $values = [];
        $wasSteady = false;
        $lostAt = null;
        for ($i = 0; $i < 200; $i++) {
            $t = $i / 4.0;
            $seconds[] = $t;
            // From 20 s on it creeps by 3 mm a minute, fifteen times what is allowed.
            $values[] = 30.0 + 0.05 * max(0.0, $t - 20.0) + 0.0106 * $chance->normal();
            $now = Steadiness::of($seconds, $values, $limits, $wasSteady);
            $lostAt ??= $wasSteady && ! $now->isSteady ? $t : null;
            $wasSteady = $now->isSteady;
        }

        self::assertNotNull($lostAt);
        self::assertGreaterThan(20.0, $lostAt);
        self::assertLessThan(23.0, $lostAt, 'Within less than a window.');
        self::assertFalse($wasSteady);
    }

    public function test_no_samples_and_few_samples_are_never_steady(): void
    {
        self::assertFalse(Steadiness::of([], [], self::electrode())->isSteady);
        self::assertSame(2, Steadiness::of([0.0, 5.0, 10.0], [1.0, 1.0, 1.0], self::electrode())->count);
        self::assertFalse(Steadiness::of([0.0, 5.0, 10.0], [1.0, 1.0, 1.0], self::electrode())->isSteady);
    }

    public function test_the_slow_electrode_of_the_reference_is_not_steady_when_its_user_kept_it(): void
    {
        $columns = Reference::columns('calibration', 'k06-electrode-not-settled.csv');
        $keptAt = (int) Reference::truths('calibration')['k06-electrode-not-settled.csv']['given']['kept_at']['value'];
        foreach ([1, 2, 3] as $buffer) {
            $seconds = array_slice($columns[0], 0, $keptAt + 1);
            $steadiness = Steadiness::of($seconds, array_slice($columns[$buffer], 0, $keptAt + 1), self::electrode());

            self::assertFalse($steadiness->isSteady);
            self::assertGreaterThan(60.0, abs($steadiness->driftPerMinute));
        }
    }

    public function test_what_is_called_steady_on_the_reference_curves_is_the_end_value_within_its_tolerance(): void
    {
        $truth = Reference::truths('calibration')['k06-electrode-not-settled.csv']['truth']['final_values'];
        $columns = Reference::columns('calibration', 'k06-electrode-not-settled.csv');
        $accepted = 0;
        foreach ([1, 2, 3] as $buffer) {
            $isSteady = false;
            foreach (array_keys($columns[0]) as $last) {
                $steadiness = Steadiness::of(
                    array_slice($columns[0], 0, $last + 1), array_slice($columns[$buffer], 0, $last + 1), self::electrode(), $isSteady,
                );
                $isSteady = $steadiness->isSteady;
                if ($isSteady) {
                    $accepted++;
                    self::assertEqualsWithDelta($truth['value'][$buffer - 1], $steadiness->mean, $truth['tolerance'], "buffer {$buffer} at {$last} s");
                }
            }
        }
        // 24 s of time constant, 0.25 mV of noise and one sample a second: by the end of the file one may be sure of one.
        self::assertGreaterThan(0, $accepted);
    }

    /** @return iterable<string, array{float, float, float, float}> */
    public static function settlings(): iterable
    {
        yield 'quick, quiet' => [2.5, 1.0, 4.0, 0.12];
        yield 'quick, noisy' => [2.5, 1.0, 4.0, 0.25];
        yield 'slow' => [24.0, 1.0, 4.0, 0.12];
        yield 'slow, once a second' => [24.0, 1.0, 1.0, 0.25];
        yield 'two speeds' => [10.0, 0.2, 4.0, 0.12];
        yield 'two slow speeds' => [24.0, 0.2, 20.0, 0.25];
    }

    /**
     * Wrongly steady is worse than late. The error allowed is the tolerance and, once in fifty, the noise of the mean.
     *
     * @param  float  $share  of the movement that has the time constant; the rest has a third of it
     */
    #[DataProvider('settlings')]
    public function test_is_hardly_ever_wrongly_steady_and_says_about_how_long_it_takes(float $timeConstant, float $share, float $hertz, float $noise): void
    {
        $chance = new Chance(20261124);
        $limits = self::electrode();
        $wrong = 0;
        $ratios = [];
        for ($trial = 0; $trial < 50; $trial++) {
            $height = ($trial % 2 === 0 ? 1 : -1) * (60.0 + 2.0 * $trial);
            $seconds = $values = $told = [];
            for ($steadyAt = null; $steadyAt === null && count($seconds) < 400 * $hertz;) {
                $t = count($seconds) / $hertz;
                $seconds[] = $t;
                $values[] = 100.0 + $noise * $chance->normal()
                    + $height * ($share * exp(-$t / $timeConstant) + (1.0 - $share) * exp(-3.0 * $t / $timeConstant));
                if (fmod($t, 2.0) !== 0.0) {
                    continue;
                }
                $now = Steadiness::of($seconds, $values, $limits);
                if ($now->isSteady) {
                    $steadyAt = $t;
                    $wrong += abs($now->mean - 100.0) > $limits->tolerance ? 1 : 0;
                } elseif ($now->secondsMore !== null && $t > 2.0 * $timeConstant) {
                    $told[] = $t + $now->secondsMore;
                }
            }
            self::assertNotNull($steadyAt, 'It comes to rest at last.');
            foreach ($told as $end) {
                $ratios[] = $end / $steadyAt;
            }
        }
        sort($ratios);

        self::assertLessThanOrEqual(1, $wrong);
        // Told from two time constants on; "about" is within a half either way for nine tellings of ten.
        self::assertGreaterThan(0.5, $ratios[(int) (0.05 * count($ratios))]);
        self::assertLessThan(1.7, $ratios[(int) (0.95 * count($ratios))]);
    }

    public function test_limits_of_a_quantity_that_spans_decades_grow_with_it(): void
    {
        $limits = ProbeKind::ConductivityCell->steadyLimits();

        self::assertEqualsWithDelta(1.0 + 0.003 * 12880.0, $limits->at(12880.0)->tolerance, 1e-9);
        self::assertSame(1.0, $limits->at(0.0)->tolerance);
        self::assertEqualsWithDelta(2.0 + 0.003 * 1413.0, $limits->times(2.0)->at(-1413.0)->scatter, 1e-9);
        $this->expectException(InvalidQuantity::class);
        SteadyLimits::of(driftPerMinute: 0.0, scatter: 1.0, tolerance: 1.0);
    }

    /** @param  \Closure(float): float  $signal */
    private static function judge(\Closure $signal, float $lengthS, bool $wasSteady = false): Steadiness
    {
        $seconds = range(0.0, $lengthS, 0.25);

        return Steadiness::of($seconds, array_map($signal, $seconds), self::electrode(), $wasSteady);
    }

    private static function electrode(): SteadyLimits
    {
        return ProbeKind::PhElectrode->steadyLimits()->times(Nernst::idealSlope(25.0));
    }
}
