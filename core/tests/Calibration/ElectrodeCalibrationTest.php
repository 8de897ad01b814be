<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\ElectrodeVerdict;
use Welkion\Core\Calibration\Nernst;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Tests\Reference;

final class ElectrodeCalibrationTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function referenceElectrodes(): iterable
    {
        foreach (['k01-electrode-healthy', 'k02-electrode-aged', 'k03-electrode-failing', 'k04-electrode-offset'] as $name) {
            yield $name => ["{$name}.csv"];
        }
    }

    #[DataProvider('referenceElectrodes')]
    public function test_finds_slope_offset_and_verdict_of_the_reference_electrodes(string $file): void
    {
        $reference = Reference::truths('calibration')[$file];
        $truth = $reference['truth'];
        $celsius = (float) $reference['given']['temperature']['value'];
        $readings = self::referenceReadings($file);

        $line = ElectrodeCalibration::from($readings, $celsius);

        self::assertEqualsWithDelta($truth['nernst_slope']['value'], $line->idealSlope(), $truth['nernst_slope']['tolerance']);
        self::assertEqualsWithDelta(-$truth['slope']['value'], $line->slope(), $truth['slope']['tolerance']);
        self::assertEqualsWithDelta($truth['offset']['value'], $line->offset(), $truth['offset']['tolerance']);
        self::assertEqualsWithDelta($truth['percent_of_nernst']['value'], $line->slopePercent(), $truth['percent_of_nernst']['tolerance']);
        self::assertSame($truth['verdict']['value'], $line->verdict()->code);
        self::assertSame([], self::check($celsius)->faults($readings));
    }

    public function test_puts_the_swapped_buffers_of_the_reference_right(): void
    {
        $truth = Reference::truths('calibration')['k05-electrode-swapped.csv']['truth'];
        $readings = self::referenceReadings('k05-electrode-swapped.csv');

        $faults = self::check(25.0)->faults($readings);
        $line = ElectrodeCalibration::from(CalibrationCheck::exchanged($readings, 0, 1), 25.0);

        self::assertSame([CalibrationFault::STANDARDS_SWAPPED], array_column($faults, 'code'));
        self::assertStringContainsString('if 4.01 and 7.00 changed places', $faults[0]->sentence);
        self::assertEqualsWithDelta(-$truth['slope']['value'], $line->slope(), $truth['slope']['tolerance']);
    }

    /** @return iterable<string, array{list<array{float, float, bool}>, list<string>}> */
    public static function mistakes(): iterable
    {
        yield 'two buffers swapped' => [[[7.0, 176.0, true], [4.01, 5.0, true]], [CalibrationFault::STANDARDS_SWAPPED]];
        yield 'both read in the same buffer' => [[[7.0, 4.9, true], [4.01, 5.3, true]], [CalibrationFault::SAME_STANDARD_TWICE]];
        yield 'the same standard chosen twice' => [[[7.0, 4.9, true], [7.0, 4.9, true]], [CalibrationFault::SAME_STANDARD_TWICE]];
        yield 'a slope that only runs the wrong way' => [[[7.0, 0.0, true], [4.01, -90.0, true], [10.01, 170.0, true]], [CalibrationFault::WRONG_SIGN]];
        yield 'taken before steady' => [[[7.0, 5.0, true], [4.01, 175.0, false]], [CalibrationFault::NOT_STEADY]];
        yield 'nothing wrong' => [[[7.0, 5.0, true], [4.01, 175.0, true]], []];
        yield 'only one reading yet' => [[[7.0, 5.0, true]], []];
        yield 'an old electrode is no mistake' => [[[7.0, 5.0, true], [4.01, 145.0, true]], []];
    }

    /**
     * @param  list<array{float, float, bool}>  $rows
     * @param  list<string>  $codes
     */
    #[DataProvider('mistakes')]
    public function test_catches_the_mistakes_people_make(array $rows, array $codes): void
    {
        $readings = array_map(
            static fn (array $r): StandardReading => StandardReading::of(number_format($r[0], 2), $r[0], $r[1], 0.1, $r[2], 0.01), $rows,
        );

        self::assertSame($codes, array_column(self::check(25.0)->faults($readings), 'code'));
    }

    /** @return iterable<string, array{float, float, ElectrodeVerdict, bool}> */
    public static function verdicts(): iterable
    {
        yield 'new' => [99.0, 2.0, ElectrodeVerdict::Healthy, true];
        yield 'just healthy' => [95.0, -15.0, ElectrodeVerdict::Healthy, true];
        yield 'just aged' => [94.9, 0.0, ElectrodeVerdict::Aged, true];
        yield 'last usable slope' => [85.0, 0.0, ElectrodeVerdict::Aged, true];
        yield 'failing' => [84.9, 0.0, ElectrodeVerdict::Failing, false];
        yield 'offset on the limit' => [98.0, 30.0, ElectrodeVerdict::Healthy, true];
        yield 'offset beyond it' => [98.0, -30.1, ElectrodeVerdict::Offset, true];
        yield 'steeper than physics' => [102.1, 0.0, ElectrodeVerdict::CheckStandards, false];
    }

    #[DataProvider('verdicts')]
    public function test_judges_an_electrode_by_slope_and_offset(float $percent, float $offset, ElectrodeVerdict $verdict, bool $usable): void
    {
        self::assertSame($verdict, ElectrodeVerdict::of($percent, $offset));
        self::assertSame($usable, $verdict->verdict($offset)->isUsable());
    }

    public function test_reads_a_sample_with_the_slope_of_its_own_temperature(): void
    {
        $line = ElectrodeCalibration::of(CalibrationLine::kept(-0.978 * Nernst::idealSlope(20.0), 0.0, 5.0, 0.0, 0.0, 7.0), 20.0);
        $millivolts = 5.0 - 0.978 * Nernst::idealSlope(40.0) * (4.0 - 7.0);

        self::assertEqualsWithDelta(4.0, $line->quantity($millivolts, 0.0, 40.0)->value, 1e-12);
        self::assertEqualsWithDelta(5.0, $line->quantity($line->line()->rawAt(5.0))->value, 1e-12);
    }

    public function test_the_uncertainty_of_a_ph_grows_with_the_distance_from_the_standards(): void
    {
        $line = ElectrodeCalibration::from([
            StandardReading::of('7.00', 7.0, 5.0, 0.2, true, 0.01), StandardReading::of('4.01', 4.01, 178.0, 0.2, true, 0.01),
        ], 25.0);

        self::assertGreaterThan($line->quantity(5.0)->uncertainty, $line->quantity(-290.0)->uncertainty);
        // Standards are good to 0.01 pH, so no reading can be better than about that share of it.
        self::assertGreaterThan(0.005, $line->quantity(5.0)->uncertainty);
    }

    public function test_the_ideal_slope_is_that_of_the_textbooks(): void
    {
        // Harris, Quantitative Chemical Analysis: 59.16 mV at 25 °C; 54.20 mV at 0 °C.
        self::assertEqualsWithDelta(59.16, Nernst::idealSlope(25.0), 0.005);
        self::assertEqualsWithDelta(54.20, Nernst::idealSlope(0.0), 0.005);
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage('The temperature must lie between -10 and 110 °C, but 298.15 was given.');
        Nernst::idealSlope(298.15);
    }

    public function test_buffers_follow_temperature(): void
    {
        self::assertSame(4.008, Buffer::Phthalate->phAt(25.0));
        self::assertSame(6.865, Buffer::Phosphate->phAt(25.0));
        self::assertSame(9.180, Buffer::Borax->phAt(25.0));
        self::assertSame(10.012, Buffer::Carbonate->phAt(25.0));
        self::assertEqualsWithDelta(7.01, Buffer::Technical7->phAt(22.5), 1e-12);
        self::assertSame(Buffer::Borax->phAt(0.0), Buffer::Borax->phAt(-3.0));
        self::assertSame(Buffer::Borax->phAt(50.0), Buffer::Borax->phAt(70.0));
    }

    public function test_refuses_a_line_through_one_standard_and_a_signal_that_is_no_number(): void
    {
        try {
            StandardReading::of('typed', 4.7, NAN, 0.1, true);
            self::fail('A signal that is no number was accepted.');
        } catch (InvalidQuantity $error) {
            self::assertSame('The raw signal in the standard typed must be an ordinary number.', $error->getMessage());
        }
        $this->expectException(NotEnoughPoints::class);
        ElectrodeCalibration::from([StandardReading::of('7.00', 7.0, 5.0, 0.1, true)], 25.0);
    }

    private static function check(float $celsius): CalibrationCheck
    {
        return new CalibrationCheck(ProbeModel::of(ProbeKind::PhElectrode)->expectation($celsius), 'mV');
    }

    /** @return list<StandardReading> */
    private static function referenceReadings(string $file): array
    {
        [$ph, $millivolts] = Reference::columns('calibration', $file);

        return array_map(
            static fn (float $p, float $mv): StandardReading => StandardReading::of(number_format($p, 2), $p, $mv, 0.3, true, 0.01),
            $ph, $millivolts,
        );
    }
}
