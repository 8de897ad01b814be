<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\Steadiness;
use Welkion\Core\Series\SteadyLimits;
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

    public function test_no_samples_and_few_samples_are_never_steady(): void
    {
        self::assertFalse(Steadiness::of([], [], SteadyLimits::phElectrode())->isSteady);
        self::assertSame(2, Steadiness::of([0.0, 5.0, 10.0], [1.0, 1.0, 1.0], SteadyLimits::phElectrode())->count);
        self::assertFalse(Steadiness::of([0.0, 5.0, 10.0], [1.0, 1.0, 1.0], SteadyLimits::phElectrode())->isSteady);
    }

    public function test_the_slow_electrode_of_the_reference_is_not_steady_when_its_user_kept_it(): void
    {
        $columns = Reference::columns('calibration', 'k06-electrode-not-settled.csv');
        $keptAt = (int) Reference::truths('calibration')['k06-electrode-not-settled.csv']['given']['kept_at']['value'];
        foreach ([1, 2, 3] as $buffer) {
            $seconds = array_slice($columns[0], 0, $keptAt + 1);
            $steadiness = Steadiness::of($seconds, array_slice($columns[$buffer], 0, $keptAt + 1), SteadyLimits::phElectrode());

            self::assertFalse($steadiness->isSteady);
            self::assertGreaterThan(60.0, abs($steadiness->driftPerMinute));
        }
    }

    public function test_what_is_called_steady_on_the_reference_curves_is_near_the_end_value(): void
    {
        $truth = Reference::truths('calibration')['k06-electrode-not-settled.csv']['truth']['final_values'];
        $columns = Reference::columns('calibration', 'k06-electrode-not-settled.csv');
        foreach ([1, 2, 3] as $buffer) {
            $accepted = null;
            for ($end = 10; $end <= count($columns[0]) && $accepted === null; $end++) {
                $steadiness = Steadiness::of(
                    array_slice($columns[0], 0, $end), array_slice($columns[$buffer], 0, $end), SteadyLimits::phElectrode(),
                );
                $accepted = $steadiness->isSteady ? $steadiness->mean : null;
            }
            self::assertNotNull($accepted);
            // A drift of 1.2 mV/min with the time constant of 24 s leaves 0.48 mV to go, and the mean of 10 readings
            // with noise of 0.25 mV is good to 0.24 mV (three standard errors): 0.72 mV, or 0.012 pH.
            self::assertEqualsWithDelta($truth['value'][$buffer - 1], $accepted, 0.72);
        }
    }

    /** @param  \Closure(float): float  $signal */
    private static function judge(\Closure $signal, float $lengthS, bool $wasSteady = false): Steadiness
    {
        $seconds = range(0.0, $lengthS, 0.25);

        return Steadiness::of($seconds, array_map($signal, $seconds), SteadyLimits::phElectrode(), $wasSteady);
    }
}
