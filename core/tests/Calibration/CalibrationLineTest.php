<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\Plunger;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\Thermistor;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/** Lines and their uncertainties, against the propagation of uncertainty written out (JCGM 100:2008, 5.1 and 5.2). */
final class CalibrationLineTest extends TestCase
{
    public function test_a_measured_value_has_the_uncertainty_of_its_line_and_of_its_signal(): void
    {
        $chance = new Chance(11);
        for ($i = 0; $i < 200; $i++) {
            [$slope, $u1, $offset, $u0] = [$chance->between(-60.0, -40.0), $chance->between(0.01, 2.0), $chance->between(-30.0, 30.0), $chance->between(0.01, 3.0)];
            $covariance = $chance->between(-0.99, 0.99) * $u1 * $u0;
            $line = CalibrationLine::kept($slope, $u1, $offset, $u0, $covariance, 7.0);
            [$raw, $u] = [$chance->between(-200.0, 200.0), $chance->between(0.0, 1.0)];
            $distance = ($raw - $offset) / $slope;
            $expected = sqrt($u ** 2 + $u0 ** 2 + ($distance * $u1) ** 2 + 2.0 * $distance * $covariance) / abs($slope);
            $measured = $line->measured($raw, $u, Unit::one());

            self::assertEqualsWithDelta(7.0 + $distance, $measured->value, 1e-12);
            self::assertEqualsWithDelta($expected, $measured->uncertainty, 1e-9);
            self::assertEqualsWithDelta($expected, $line->uncertaintyOf($raw, $u), 1e-9);
        }
    }

    public function test_two_values_by_one_line_have_its_error_in_common(): void
    {
        // Offset and slope known to nobody better: the difference of two values keeps the slope's part alone.
        $line = CalibrationLine::kept(2.0, 0.1, 5.0, 0.8);
        $calibration = Source::named('calibration 1', 'calibration');
        $difference = $line->measured(45.0, 0.0, Unit::one(), $calibration)->minus($line->measured(25.0, 0.0, Unit::one(), $calibration));

        self::assertEqualsWithDelta(10.0, $difference->value, 1e-12);
        self::assertEqualsWithDelta(10.0 * 0.1 / 2.0, $difference->uncertainty, 1e-12);
    }

    public function test_a_line_on_three_standards_has_the_errors_of_weighted_least_squares(): void
    {
        // 10 mV for one, each standard known to 0.1 and each signal to 1 mV or 2 mV: weights 1/2, 1/5 and 1/2.
        $readings = [
            StandardReading::of('a', 0.0, 0.0, 1.0, valueUncertainty: 0.1),
            StandardReading::of('b', 5.0, 50.0, 2.0, valueUncertainty: 0.1),
            StandardReading::of('c', 10.0, 100.0, 1.0, valueUncertainty: 0.1),
        ];
        $line = CalibrationLine::through($readings);
        [$w, $wx, $wxx] = [1.2, 6.0, 55.0];
        $determinant = $w * $wxx - $wx ** 2;

        self::assertEqualsWithDelta(10.0, $line->slope, 1e-12);
        self::assertEqualsWithDelta(0.0, $line->offset, 1e-9);
        self::assertEqualsWithDelta(sqrt($w / $determinant), $line->slopeUncertainty, 1e-9);
        self::assertEqualsWithDelta(sqrt($wxx / $determinant), $line->offsetUncertainty, 1e-9);
        self::assertEqualsWithDelta(-$wx / $determinant, $line->covariance, 1e-9);
    }

    public function test_points_that_stray_more_than_they_may_widen_the_line(): void
    {
        // Residuals of 1, -2, 1 about 10 x + 1 with a scatter of 0.1 each: chi square 600 with one degree of freedom.
        $at = static fn (float $scatter): CalibrationLine => CalibrationLine::through([
            StandardReading::of('a', -1.0, -8.0, $scatter), StandardReading::of('b', 0.0, -1.0, $scatter), StandardReading::of('c', 1.0, 12.0, $scatter),
        ]);

        self::assertEqualsWithDelta(sqrt(600.0) * 0.1 / sqrt(2.0), $at(0.1)->slopeUncertainty, 1e-9);
        self::assertEqualsWithDelta(sqrt(600.0) * 0.1 / sqrt(3.0), $at(0.1)->offsetUncertainty, 1e-9);
        // A scatter of 10 explains them: the line is not better than its signals.
        self::assertEqualsWithDelta(10.0 / sqrt(2.0), $at(10.0)->slopeUncertainty, 1e-9);
        // Nothing known of the points: their own scatter about the line, sqrt(6/1).
        self::assertEqualsWithDelta(sqrt(6.0 / 2.0), $at(0.0)->slopeUncertainty, 1e-9);
    }

    public function test_a_shifted_line_knows_its_slope_as_well_as_before_and_its_offset_by_the_standard(): void
    {
        $line = CalibrationLine::shifted(CalibrationLine::kept(-58.0, 0.5, 3.0, 9.0, 0.0, 7.0), StandardReading::of('4.01', 4.0, 180.0, 0.3, valueUncertainty: 0.01));

        self::assertEqualsWithDelta(180.0 - 3.0 * 58.0, $line->offset, 1e-12);
        self::assertEqualsWithDelta(sqrt(0.3 ** 2 + 0.58 ** 2 + 1.5 ** 2), $line->offsetUncertainty, 1e-12);
        // At the standard itself the slope plays no part.
        self::assertEqualsWithDelta(hypot(0.3, 0.58) / 58.0, $line->uncertaintyOf(180.0), 1e-12);
        self::assertSame(7.0, $line->reference);
    }

    public function test_a_line_from_its_reference_has_the_standards_share_as_error(): void
    {
        $line = CalibrationLine::fromReference(StandardReading::of('1413', 1413.0, 1.5, 0.003, valueUncertainty: 14.13), 0.0);

        self::assertEqualsWithDelta(1.5 / 1413.0, $line->slope, 1e-15);
        self::assertEqualsWithDelta(hypot(0.002, 0.01), $line->slopeUncertainty / $line->slope, 1e-9);
        self::assertSame([0.0, 0.0], [$line->offset, $line->offsetUncertainty]);
        self::assertEqualsWithDelta(3.0 / 5.0, CalibrationLine::fromReference(StandardReading::of('s', 12.0, 3.0), 7.0)->slope, 1e-15);
        $this->expectException(InvalidQuantity::class);
        CalibrationLine::fromReference(StandardReading::of('s', 7.0, 3.0), 7.0);
    }

    public function test_a_zero_reads_nothing_at_its_signal_wherever_the_line_is_told(): void
    {
        $line = CalibrationLine::kept(-58.0, 0.5, 3.0, 9.0, 0.4, 7.0)->zeroedAt(12.0);

        self::assertEqualsWithDelta(0.0, $line->valueOf(12.0), 1e-12);
        self::assertEqualsWithDelta(12.0 - 58.0, $line->rawAt(1.0), 1e-12);
        self::assertSame([0.5, 0.0, 0.0], [$line->slopeUncertainty, $line->offsetUncertainty, $line->covariance]);
    }

    public function test_a_bore_known_to_a_share_gives_a_slope_known_to_twice_that_share(): void
    {
        $line = Plunger::lineOf(Measured::of(2.0, 0.02, Unit::parse('cm')));

        // 20 mm across: 314.16 mm² of area, 3.1831 mm of travel for a millilitre.
        self::assertEqualsWithDelta(3.183098862, $line->slope, 1e-9);
        self::assertEqualsWithDelta(0.02, $line->slopeUncertainty / $line->slope, 1e-12);
        self::assertSame([0.0, 0.0], [$line->offset, $line->offsetUncertainty]);
    }

    public function test_a_thermistor_tells_its_temperature_as_well_as_its_line_allows(): void
    {
        // 10 kΩ at 25 °C and B = 3950 K, exactly; a tenth of a per cent of resistance is T²/B of a thousandth.
        $ohms = static fn (float $celsius): float => 1e4 * exp(3950.0 * (1.0 / ($celsius + 273.15) - 1.0 / 298.15));
        $thermistor = Thermistor::from(array_map(static fn (float $c): StandardReading => StandardReading::of("{$c}", $c, $ohms($c)), [0.0, 25.0, 60.0]));
        $told = $thermistor->celsius($ohms(40.0), 0.001 * $ohms(40.0));

        self::assertEqualsWithDelta(40.0, $told->value, 1e-9);
        self::assertEqualsWithDelta(313.15 ** 2 / 3950.0 * 0.001, $told->uncertainty, 1e-6);
        self::assertEqualsWithDelta(3950.0, $thermistor->beta()->value, 1e-6);
        self::assertEqualsWithDelta(1e4, $thermistor->resistanceAt25()->value, 1e-6);
    }

    public function test_a_reading_with_a_negative_uncertainty_is_refused(): void
    {
        foreach ([[-1.0, 0.0], [0.0, -1.0]] as [$scatter, $uncertainty]) {
            try {
                StandardReading::of('7.00', 7.0, 1.0, $scatter, valueUncertainty: $uncertainty);
                self::fail('Accepted.');
            } catch (InvalidQuantity $error) {
                self::assertStringContainsString('-1', $error->getMessage());
            }
        }
    }
}
