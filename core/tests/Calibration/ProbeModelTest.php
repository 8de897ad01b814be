<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ClippedReadings;
use Welkion\Core\Calibration\ConductivityCalibration;
use Welkion\Core\Calibration\Grade;
use Welkion\Core\Calibration\LinearCalibration;
use Welkion\Core\Calibration\Plunger;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Calibration\Thermistor;
use Welkion\Core\Calibration\Trust;
use Welkion\Core\Calibration\Verdict;
use Welkion\Core\Calibration\WaterBoiling;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Tests\Reference;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Sample;
use Welkion\Core\Units\Unit;

/** Calibrations of every kind but pH, which has a test of its own. */
final class ProbeModelTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function cells(): iterable
    {
        yield 'a cell near 1 per cm' => ['k07-conductivity-cell.csv'];
        yield 'a cell of a tenth that leaks' => ['k08-conductivity-offset.csv'];
    }

    #[DataProvider('cells')]
    public function test_finds_cell_constant_and_offset_of_the_reference_cells(string $file): void
    {
        $truth = Reference::truths('calibration')[$file]['truth'];
        [$standards, $conductances] = Reference::columns('calibration', $file);
        $cell = ConductivityCalibration::from(self::readings($standards, $conductances, 0.005), 1.0, new TemperatureCompensation);

        self::assertEqualsWithDelta($truth['cell_constant']['value'], $cell->cellConstant()->value, $truth['cell_constant']['tolerance']);
        self::assertEqualsWithDelta($truth['slope']['value'], $cell->line()->slope, $truth['slope']['tolerance']);
        self::assertEqualsWithDelta($truth['offset_conductance']['value'], $cell->offsetConductance()->value, $truth['offset_conductance']['tolerance']);
        self::assertEqualsWithDelta($truth['cell_constant']['value'], $cell->cellConstant()->value, 3 * $cell->cellConstant()->uncertainty);
    }

    public function test_one_standard_gives_the_cell_constant_and_a_sample_is_told_at_25_degrees(): void
    {
        $compensation = new TemperatureCompensation;
        $bottle = PotassiumChloride::Hundredth->at(21.0, $compensation);
        $cell = ConductivityCalibration::from([StandardReading::of('1413', $bottle, $bottle / 1.07, 0.0, true, 7.0)], 1.0, $compensation);

        self::assertEqualsWithDelta(1.07, $cell->cellConstant()->value, 1e-12);
        self::assertEqualsWithDelta(1413.0 * (1.0 - 4.0 * 0.0191), $bottle, 1e-9);
        // Read in its own standard at another temperature it still shows what stands on the bottle.
        $warm = PotassiumChloride::Hundredth->at(30.0, $compensation) / 1.07;
        self::assertEqualsWithDelta(1413.0, $cell->quantity($warm, 0.0, 30.0)->value, 1e-9);
        self::assertFalse($cell->hasOffset());
    }

    /** @return iterable<string, array{float, Grade}> */
    public static function cellVerdicts(): iterable
    {
        yield 'as printed' => [1.0, Grade::Good];
        yield 'just good' => [1.0999, Grade::Good];
        yield 'fair' => [1.15, Grade::Fair];
        yield 'fair below' => [0.81, Grade::Fair];
        yield 'poor' => [1.25, Grade::Poor];
        yield 'poor below' => [0.7, Grade::Poor];
    }

    #[DataProvider('cellVerdicts')]
    public function test_judges_a_cell_by_the_constant_printed_on_it(float $constant, Grade $grade): void
    {
        $cell = ConductivityCalibration::of(CalibrationLine::kept(1.0 / $constant, 0.0, 0.0, 0.0), 1.0, new TemperatureCompensation);

        self::assertSame($grade, $cell->verdict()->grade);
        self::assertSame($grade !== Grade::Poor, $cell->verdict()->isUsable());
    }

    public function test_calibrates_the_reference_thermometer_in_ice_and_steam_at_the_days_pressure(): void
    {
        $reference = Reference::truths('calibration')['k09-thermometer-ice-steam.csv'];
        $truth = $reference['truth'];
        $baths = ['ice' => [], 'steam' => []];
        foreach (Reference::rows('calibration', 'k09-thermometer-ice-steam.csv') as [, $bath, $shown]) {
            $baths[$bath][] = (float) $shown;
        }
        $air = new Surroundings(barometerKpa: (float) $reference['given']['barometric_pressure']['value']);
        $readings = [];
        foreach (['ice' => Standard::ice(), 'steam' => Standard::boilingWater()] as $bath => $standard) {
            $sample = Sample::of($baths[$bath]);
            $readings[] = StandardReading::of($bath, $standard->valueIn($air), $sample->mean, (float) $sample->sd, true, $standard->uncertainty);
        }
        $model = ProbeModel::of(ProbeKind::Thermometer);
        $thermometer = $model->calibrated($readings, 25.0, '°C', $model->factoryLine());

        self::assertEqualsWithDelta($truth['boiling_point']['value'], $readings[1]->value, $truth['boiling_point']['tolerance']);
        self::assertEqualsWithDelta($truth['probe_slope']['value'], $thermometer->line()->slope, $truth['probe_slope']['tolerance']);
        self::assertEqualsWithDelta($truth['probe_offset']['value'], $thermometer->line()->offset, $truth['probe_offset']['tolerance']);
        $corrected = $thermometer->quantity(50.0);
        self::assertEqualsWithDelta($truth['corrected_at_shown_50']['value'], $corrected->value, $truth['corrected_at_shown_50']['tolerance']);
        self::assertSame('°C', $corrected->unit->symbol);
        self::assertSame('straight', $thermometer->verdict()->code);
    }

    public function test_calibrates_the_reference_transducer(): void
    {
        $truth = Reference::truths('calibration')['k11-pressure-volts.csv']['truth'];
        [$pressures, $volts] = Reference::columns('calibration', 'k11-pressure-volts.csv');
        $sensor = LinearCalibration::from(self::readings($pressures, $volts), Unit::parse('kPa'), Unit::parse('V'));

        self::assertEqualsWithDelta($truth['slope']['value'], $sensor->line()->slope, $truth['slope']['tolerance']);
        self::assertEqualsWithDelta($truth['offset']['value'], $sensor->line()->offset, $truth['offset']['tolerance']);
        self::assertEqualsWithDelta($truth['pressure_per_volt']['value'], 1.0 / $sensor->line()->slope, $truth['pressure_per_volt']['tolerance']);
        self::assertEqualsWithDelta($truth['pressure_at_2_5_V']['value'], $sensor->quantity(2.5)->value, $truth['pressure_at_2_5_V']['tolerance']);
        self::assertSame($truth['verdict']['value'], $sensor->verdict()->code);
    }

    public function test_readings_stuck_at_the_end_of_the_range_do_not_enter_the_line(): void
    {
        [$pressures, $volts] = Reference::columns('calibration', 'k11-pressure-volts.csv');
        $truth = Reference::truths('calibration')['k11-pressure-volts.csv']['truth'];
        foreach ([[2.5, [5, 6]], [3.3, [6]], [2.2, [4, 5, 6]]] as [$top, $clipped]) {
            $cut = array_map(static fn (float $v): float => min($v, $top), $volts);
            $sensor = LinearCalibration::from(self::readings($pressures, $cut), Unit::parse('kPa'), Unit::parse('V'));

            self::assertSame($clipped, $sensor->clipped, "cut at {$top} V");
            self::assertSame('clipped', $sensor->verdict()->code);
            self::assertEqualsWithDelta($truth['slope']['value'], $sensor->line()->slope, 3 * $truth['slope']['tolerance']);
        }
        $low = array_map(static fn (float $v): float => max($v, 1.2), $volts);
        self::assertSame([0, 1], ClippedReadings::find(self::readings($pressures, $low)));
        self::assertSame([], ClippedReadings::find(self::readings([0.0, 100.0], [0.2, 2.0])));
    }

    public function test_a_curve_is_not_taken_for_a_line(): void
    {
        [$celsius, $ohms] = Reference::columns('calibration', 'k10-thermistor.csv');

        self::assertSame('bent', LinearCalibration::from(self::readings($celsius, $ohms), Unit::parse('°C'), Unit::parse('Ω'))->verdict()->code);
    }

    public function test_noise_about_a_line_is_hardly_ever_taken_for_a_bend_or_a_clipped_end(): void
    {
        $chance = new Chance(4);
        $verdicts = [];
        for ($trial = 0; $trial < 300; $trial++) {
            $values = range(0.0, 100.0, 20.0);
            $raw = array_map(static fn (float $v): float => 0.2 + 0.018 * $v + 0.01 * $chance->normal(), $values);
            $verdicts[] = LinearCalibration::from(self::readings($values, $raw), Unit::parse('kPa'), Unit::parse('V'))->verdict()->code;
        }
        // One in a hundred bends by chance and one in a hundred ends short; 300 trials give six, and nine by bad luck.
        self::assertGreaterThanOrEqual(291, array_count_values($verdicts)['straight']);
    }

    public function test_a_probe_of_no_known_kind_reads_its_raw_signal_until_its_unit_is_another(): void
    {
        $raw = ProbeModel::of(ProbeKind::AnyQuantity, 'V');
        self::assertSame('V', $raw->unit);
        self::assertTrue($raw->isReadable());
        self::assertSame([1.25, 'V'], [$raw->factory()->quantity(1.25)->value, $raw->factory()->quantity(1.25)->unit->symbol]);

        $light = ProbeModel::of(ProbeKind::AnyQuantity, 'V', unit: 'lx');
        self::assertSame('lx', $light->unit);
        self::assertFalse($light->isReadable());
        self::assertFalse($light->readsFromFactory());
        // 0.5 V in the dark, 2 mV for each lux.
        $calibrated = $light->calibrated([
            StandardReading::of('dark', 0.0, 0.5, 0.001), StandardReading::of('bright', 1000.0, 2.5, 0.001),
        ], 21.0, 'lx', $light->factoryLine());
        self::assertEqualsWithDelta(250.0, $calibrated->quantity(1.0)->value, 1e-9);
        self::assertSame('lx', $calibrated->quantity(1.0)->unit->symbol);
        self::assertSame('for one lx', $calibrated->keyFigures()[0]->label);

        $stated = ProbeModel::of(ProbeKind::AnyQuantity, 'V', 0.002, 0.5, 'lx');
        self::assertTrue($stated->isReadable());
        self::assertEqualsWithDelta(250.0, $stated->factory()->quantity(1.0)->value, 1e-9);
        // Its kind says the unit of another; nobody can change that.
        self::assertSame('°C', ProbeModel::of(ProbeKind::Thermometer, 'mV', 10.0, 500.0, 'K')->unit);
    }

    public function test_a_line_far_from_the_stated_one_is_told(): void
    {
        $model = ProbeModel::of(ProbeKind::Thermometer, 'mV', 10.0, 500.0);
        $read = static fn (float $slope): array => [StandardReading::of('ice', 0.0, 500.0), StandardReading::of('boiling', 100.0, 500.0 + 100.0 * $slope)];
        self::assertSame('straight', $model->calibrated($read(10.1), 21.0, '°C', $model->factoryLine())->verdict()->code);
        self::assertSame('far_off', $model->calibrated($read(14.0), 21.0, '°C', $model->factoryLine())->verdict()->code);
        // In another unit nothing is stated.
        self::assertSame('straight', $model->calibrated($read(14.0), 21.0, 'K', $model->factoryLine())->verdict()->code);
    }

    public function test_a_probe_of_no_known_kind_is_steady_to_some_of_its_last_digits_or_a_hundredth(): void
    {
        $limits = ProbeModel::of(ProbeKind::AnyQuantity, 'V', 0.002, 0.5, 'lx')->steadyLimits(0.001);
        self::assertEqualsWithDelta([5.0, 2.5, 2.5, 0.01], [$limits->driftPerMinute, $limits->scatter, $limits->tolerance, $limits->share], 1e-12);
        self::assertEquals(ProbeKind::AnyQuantity->steadyLimits(), ProbeModel::of(ProbeKind::AnyQuantity, 'V')->steadyLimits(0.0));
        self::assertEquals(ProbeKind::Thermometer->steadyLimits(), ProbeModel::of(ProbeKind::Thermometer, 'mV', 10.0)->steadyLimits(1.0));
    }

    public function test_what_can_be_zeroed_is_what_shows_nothing_at_rest(): void
    {
        $zeroed = array_values(array_filter(ProbeKind::cases(), static fn (ProbeKind $k): bool => $k->canBeZeroed()));

        self::assertSame([ProbeKind::EcgLead, ProbeKind::GripBulb, ProbeKind::BreathingBelt, ProbeKind::AnyQuantity], $zeroed);
    }

    public function test_a_solution_is_compensated_where_it_is_one(): void
    {
        $compensation = new TemperatureCompensation(0.02);
        self::assertEqualsWithDelta([40.0, 250.0], [$compensation->from25(100.0, -5.0), $compensation->from25(100.0, 100.0)], 1e-12);
        self::assertEqualsWithDelta(100.0, $compensation->to25(90.0, 20.0), 1e-12);
        foreach ([-5.1, 100.1, NAN] as $outside) {
            try {
                $compensation->from25(100.0, $outside);
                self::fail("{$outside}");
            } catch (InvalidQuantity $refused) {
                self::assertStringContainsString('temperature', $refused->getMessage());
            }
        }
    }

    public function test_a_cell_says_by_how_much_its_constant_is_off(): void
    {
        $sentence = static fn (float $constant): string => ConductivityCalibration::of(CalibrationLine::kept(1.0 / $constant, 0.0, 0.0, 0.0), 2.0, new TemperatureCompensation)->verdict()->advice;

        self::assertStringStartsWith('Its constant is +5 % from', $sentence(2.1));
        self::assertStringStartsWith('Its constant is −15 % from', $sentence(1.7));
        self::assertStringStartsWith('Its constant is +30 % from', $sentence(2.6));
        $figure = ConductivityCalibration::of(CalibrationLine::kept(0.5, 0.0, 0.0, 0.0), 2.0, new TemperatureCompensation)->keyFigures()[0];
        self::assertEqualsWithDelta([1.8, 2.2, 1.6, 2.4], [$figure->goodFrom, $figure->goodTo, $figure->usableFrom, $figure->usableTo], 1e-12);
    }

    public function test_the_scatter_of_a_resistance_counts_as_a_share_of_it(): void
    {
        // Exact temperatures; ln R scatters by 0.01 at both, so B = (ln R1 - ln R2) / (1/T1 - 1/T2) by sqrt(2) 0.01 / (1/273.15 - 1/373.15).
        $reading = static fn (float $celsius, float $ohms): StandardReading => StandardReading::of('', $celsius, $ohms, 0.01 * $ohms, true, 0.0);
        $beta = Thermistor::from([$reading(0.0, 30000.0), $reading(100.0, 700.0)])->beta();

        self::assertEqualsWithDelta(log(30000.0 / 700.0) / (1.0 / 273.15 - 1.0 / 373.15), $beta->value, 1e-6);
        self::assertEqualsWithDelta(sqrt(2.0) * 0.01 / (1.0 / 273.15 - 1.0 / 373.15), $beta->uncertainty, 1e-6);
    }

    public function test_finds_the_constants_of_the_reference_thermistor(): void
    {
        $truth = Reference::truths('calibration')['k10-thermistor.csv']['truth'];
        [$celsius, $ohms] = Reference::columns('calibration', 'k10-thermistor.csv');
        $thermistor = Thermistor::from(self::readings($celsius, $ohms));

        self::assertEqualsWithDelta($truth['beta']['value'], $thermistor->beta()->value, $truth['beta']['tolerance']);
        self::assertEqualsWithDelta($truth['resistance_at_25C']['value'], $thermistor->resistanceAt25()->value, $truth['resistance_at_25C']['tolerance']);
        self::assertEqualsWithDelta(25.0, $thermistor->celsius(10000.0)->value, 3 * $thermistor->celsius(10000.0)->uncertainty);
        $this->expectExceptionMessage('The resistance must be above 0 Ω, but 0 was given.');
        $thermistor->celsius(0.0);
    }

    public function test_the_uncertainty_of_a_line_covers_the_truth_as_often_as_it_says(): void
    {
        $chance = new Chance(7);
        $inside = ['slope' => 0, 'offset' => 0, 'value' => 0];
        for ($trial = 0; $trial < 500; $trial++) {
            $readings = [];
            foreach ([20.0, 50.0, 90.0] as $value) {
                // The bottle is off by its uncertainty, the signal by its scatter.
                $readings[] = StandardReading::of('', $value, 3.0 + 0.5 * ($value + 0.2 * $chance->normal()) + 0.05 * $chance->normal(), 0.05, true, 0.2);
            }
            $line = CalibrationLine::through($readings);
            $inside['slope'] += abs($line->slope - 0.5) <= 2 * $line->slopeUncertainty ? 1 : 0;
            $inside['offset'] += abs($line->offset - 3.0) <= 2 * $line->offsetUncertainty ? 1 : 0;
            $inside['value'] += abs($line->valueOf(33.0) - 60.0) <= 2 * $line->uncertaintyOf(33.0) ? 1 : 0;
        }
        // 95.4 % of 500 is 477; four standard deviations of that count are 19. Widening by strain adds some.
        foreach ($inside as $what => $count) {
            self::assertGreaterThanOrEqual(458, $count, $what);
        }
    }

    public function test_one_standard_moves_a_line_and_leaves_its_slope(): void
    {
        $model = ProbeModel::of(ProbeKind::PressureSensor, 'V', 0.018, 0.2);
        $moved = $model->calibrated(
            [StandardReading::of('room air', 100.1, 2.09, 0.002, true, 0.1)], 21.0, 'kPa', $model->factoryLine(),
        );

        self::assertSame(0.018, $moved->line()->slope);
        self::assertEqualsWithDelta(100.1, $moved->quantity(2.09)->value, 1e-12);
        self::assertEqualsWithDelta(0.149, $moved->quantity(2.09)->uncertainty, 0.001, '0.1 kPa of the barometer, 0.002 V of scatter');
        self::assertSame('straight', $moved->verdict()->code);
        $this->expectException(NotEnoughPoints::class);
        $model->calibrated([], 21.0, 'kPa', $model->factoryLine());
    }

    public function test_the_verdict_holds_a_slope_against_the_makers(): void
    {
        $model = ProbeModel::of(ProbeKind::PressureSensor, 'V', 0.018, 0.2);
        $codes = array_map(static fn (float $factor): string => $model->calibration(
            CalibrationLine::kept(0.018 * $factor, 0.0, 0.2, 0.0), 21.0, 'kPa',
        )->verdict()->code, [1.0, 1.049, 1.1, 0.86, 0.8, -1.0]);

        self::assertSame(['straight', 'straight', 'off', 'off', 'far_off', 'far_off'], $codes);
        self::assertSame('straight', $model->calibration(CalibrationLine::kept(0.4, 0.0, 0.2, 0.0), 21.0, 'N')->verdict()->code, 'In another unit the maker’s line says nothing.');
    }

    public function test_a_bore_turns_travel_into_volume(): void
    {
        $line = Plunger::lineOf(Measured::of(2.9, 0.002, Unit::parse('cm')));
        $set = CalibrationLine::shifted($line, StandardReading::of('start', 20.0, 12.4, 0.0, true, 0.1));

        // A bore of 29 mm holds pi/4 * 29^2 / 1000 = 0.66052 mL per mm.
        self::assertEqualsWithDelta(20.0 + 10.0 * 0.660520, $set->valueOf(22.4), 1e-5);
        self::assertGreaterThan($set->uncertaintyOf(12.4), $set->uncertaintyOf(60.0), 'The bore’s uncertainty grows with the travel.');
        $this->expectException(InvalidQuantity::class);
        Plunger::lineOf(Measured::of(0.0, 0.0, Unit::parse('mm')));
    }

    public function test_a_zero_reads_nothing_where_it_was_taken_and_leaves_the_slope(): void
    {
        $zeroed = CalibrationLine::kept(0.02, 0.001, 0.3, 0.01)->zeroedAt(0.35);

        self::assertEqualsWithDelta(0.0, $zeroed->valueOf(0.35), 1e-12);
        self::assertEqualsWithDelta(10.0, $zeroed->valueOf(0.55), 1e-12);
        $electrode = CalibrationLine::kept(-58.0, 0.0, 5.0, 0.0, 0.0, 7.0)->zeroedAt(411.0);
        self::assertEqualsWithDelta(0.0, $electrode->valueOf(411.0), 1e-12);
    }

    public function test_water_boils_where_the_tables_say(): void
    {
        // Steam tables (IAPWS-95): 99.97 °C at 101.325 kPa, 95.6 °C at 86 kPa; Antoine's formula is within 0.05 °C.
        self::assertEqualsWithDelta(99.97, WaterBoiling::celsiusAt(101.325), 0.05);
        self::assertEqualsWithDelta(95.55, WaterBoiling::celsiusAt(86.0), 0.07);
        $this->expectExceptionMessage('The barometric pressure must lie between 50 and 110 kPa, but 1013 was given.');
        WaterBoiling::celsiusAt(1013.0);
    }

    public function test_every_recipe_begins_with_standards_that_make_a_line_of_its_kind(): void
    {
        foreach (ProbeKind::cases() as $kind) {
            foreach (Recipe::for($kind) as $recipe) {
                $standards = array_filter($recipe->standards($kind, $kind->unit()), static fn (Standard $s): bool => $s->isPoint());
                self::assertGreaterThanOrEqual($recipe->leastStandards(), count($standards), $recipe->value);
                self::assertSame([$recipe->unit($kind->unit())], array_values(array_unique(array_column($standards, 'unit'))), $recipe->value);
                foreach ($standards as $standard) {
                    self::assertTrue(is_finite($standard->valueIn(new Surroundings(21.0, 98.3))));
                }
            }
        }
        self::assertSame([], Recipe::for(ProbeKind::FingerPulse));
        self::assertEqualsWithDelta(49.033, Standard::weight(5.0)->value, 0.001, '5 kg hang with 5 kg * 9.80665 m/s²');
        self::assertSame('0.5 kg', Standard::weight(0.5)->label);
    }

    public function test_trust_follows_verdict_age_and_kind(): void
    {
        $good = new Verdict('good', Grade::Good, 'Good cell.', '');
        $fair = new Verdict('fair', Grade::Fair, 'Fair cell.', '');
        $poor = new Verdict('poor', Grade::Poor, 'Poor cell.', '');

        self::assertSame(Trust::Good, Trust::of(ProbeKind::PhElectrode, $good, 6.9));
        self::assertSame(Trust::Old, Trust::of(ProbeKind::PhElectrode, $good, 7.1));
        self::assertSame(Trust::Good, Trust::of(ProbeKind::ConductivityCell, $good, 7.1));
        self::assertSame(Trust::Fair, Trust::of(ProbeKind::PhElectrode, $fair, 1.0));
        self::assertSame(Trust::Poor, Trust::of(ProbeKind::PhElectrode, $poor, 400.0));
        self::assertSame(Trust::Missing, Trust::of(ProbeKind::PhElectrode, null, null));
        self::assertSame(Trust::Factory, Trust::of(ProbeKind::Thermometer, null, null));
        self::assertSame('pH electrode: calibration 12 days old.', Trust::Old->sentence('pH electrode', $good, 12.6));
        self::assertSame('Conductivity: fair cell.', Trust::Fair->sentence('Conductivity', $fair, 1.0));
        self::assertNull(Trust::Good->sentence('Conductivity', $good, 1.0));
        self::assertFalse(Trust::Missing->isUnquestioned());
    }

    /**
     * @param  list<float>  $values
     * @param  list<float>  $raw
     * @return list<StandardReading>
     */
    private static function readings(array $values, array $raw, float $relativeUncertainty = 0.0): array
    {
        return array_map(
            static fn (float $v, float $r): StandardReading => StandardReading::of((string) $v, $v, $r, 0.0, true, $relativeUncertainty * $v),
            $values, $raw,
        );
    }

    public function test_a_bottle_is_recognised_although_the_probe_is_not_what_it_was(): void
    {
        $model = ProbeModel::of(ProbeKind::PhElectrode, 'mV');
        $check = new CalibrationCheck($model->expectation(25.0), 'mV', ['10.01' => 10.01]);
        // A new glass of ideal slope in an old holder: last time it had 88 %.
        $last = CalibrationLine::kept(-0.88 * 59.16, 0.1, -5.0, 0.3, 0.0, 7.0);
        $faults = $check->faults([StandardReading::of('7.00', 7.0, 2.0), StandardReading::of('4.01', 4.01, 2.0 - 3.01 * 59.16)], $last);

        self::assertSame('−176.1 mV in 4.01 is what 10.01 would give. Look at the bottle in hand: choose the standard it says, or retake 4.01.', $faults[0]->sentence);
    }

    public function test_of_two_bottles_that_cannot_be_told_apart_the_first_is_named(): void
    {
        $model = ProbeModel::of(ProbeKind::PhElectrode, 'mV');
        $readings = [StandardReading::of('7.00', 7.0, 4.2), StandardReading::of('4.01', 4.01, -174.0)];
        $name = static fn (array $known): string => (new CalibrationCheck($model->expectation(25.0), 'mV', $known))->faults($readings)[0]->sentence;

        // (-174.0 - 4.2) / -59.16 = 3.012 above 7.00.
        self::assertStringContainsString('is what 10.01 would give', $name(['10.01' => 10.01, 'carbonate' => 10.012]));
        self::assertStringContainsString('is what carbonate would give', $name(['carbonate' => 10.012, '10.01' => 10.01]));
        self::assertStringContainsString('is what 10.01 would give', $name(['borax' => 9.18, '10.01' => 10.01]));
    }
}
