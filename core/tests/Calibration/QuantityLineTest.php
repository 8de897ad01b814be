<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ConductivityCalibration;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\LinearCalibration;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\QuantityLine;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/** Many samples at once are what each would be by itself: value, scatter, and what each constant of the calibration moves. */
final class QuantityLineTest extends TestCase
{
    /** @return iterable<string, array{ProbeCalibration, float|null, list<float>}> calibration, temperature, raw signals */
    public static function calibrations(): iterable
    {
        $line = CalibrationLine::kept(-56.8, 0.31, 3.4, 0.42, -0.05, 7.0);
        yield 'an electrode' => [ElectrodeCalibration::of($line, 22.4), null, [-180.3, -2.0, 0.0, 3.4, 176.5]];
        yield 'an electrode in something warm' => [ElectrodeCalibration::of($line, 22.4), 48.7, [-180.3, 3.4, 176.5]];
        yield 'a thermometer' => [LinearCalibration::of(CalibrationLine::kept(0.992, 0.004, 0.55, 0.06, -0.0001), Unit::parse('°C'), Unit::parse('°C')), null, [-4.0, 0.55, 21.3, 101.0]];
        yield 'a cell at 31 degrees' => [ConductivityCalibration::of(CalibrationLine::kept(0.9416, 0.004, 0.3, 0.2, 0.0), 1.0, new TemperatureCompensation), 31.2, [0.0, 0.3, 1331.0, 12_220.0]];
        yield 'a cell' => [ConductivityCalibration::of(CalibrationLine::kept(0.9416, 0.004, 0.3, 0.2, 0.0), 1.0, new TemperatureCompensation), null, [0.0, 1331.0]];
    }

    /** @param  list<float>  $signals */
    #[DataProvider('calibrations')]
    public function test_it_is_what_the_calibration_says(ProbeCalibration $by, ?float $celsius, array $signals): void
    {
        $source = Source::named('calibration 7', 'calibration');
        $line = QuantityLine::of($by, 0.25, $celsius, $source);
        self::assertNotNull($line);
        foreach ($signals as $raw) {
            $one = $by->quantity($raw, 0.25, $celsius, $source);
            self::assertEqualsWithDelta($one->value, $line->value($raw), 1e-9 * max(1.0, abs($one->value)));
            $own = 0.0;
            $named = [];
            foreach ($one->shares->amounts() as [$of, $amount]) {
                if ($of->isNamed()) {
                    $named[$of->identity()] = $amount;
                } else {
                    $own = hypot($own, $amount);
                }
            }
            self::assertEqualsWithDelta($own, $line->scatter, 1e-9 * max(1.0, $own));
            foreach ($named as $identity => $amount) {
                self::assertEqualsWithDelta($amount, $line->share($identity, $raw), 1e-7 * max(1.0, abs($amount)));
            }
            self::assertLessThanOrEqual(count($line->sources), count($named));
        }
        self::assertNotSame([], $line->sources);
    }
}
