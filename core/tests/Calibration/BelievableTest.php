<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ClippedReadings;
use Welkion\Core\Calibration\ConductivityCalibration;
use Welkion\Core\Calibration\ElectrodeVerdict;
use Welkion\Core\Calibration\Expectation;
use Welkion\Core\Calibration\KnownStandards;
use Welkion\Core\Calibration\LinearCalibration;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\StandardSource;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Units\Unit;

/** Where belief ends: readings on either side of each limit. */
final class BelievableTest extends TestCase
{
    /** @return iterable<string, array{ProbeModel, float, float, bool}> model, value, raw, whether a working probe gives it */
    public static function single(): iterable
    {
        $glass = ProbeModel::of(ProbeKind::PhElectrode, 'mV');
        // At 25 °C three units below 7 give 177.5 mV; an electrode has 70 to 108 % of that, and up to 60 mV of offset.
        yield 'an electrode at its steepest and farthest' => [$glass, 4.0, 250.0, true];
        yield 'beyond' => [$glass, 4.0, 253.0, false];
        yield 'an electrode at its flattest and farthest' => [$glass, 4.0, 65.0, true];
        yield 'below' => [$glass, 4.0, 63.0, false];
        yield 'in the middle of its range' => [$glass, 7.0, -59.0, true];
        yield 'too far there' => [$glass, 7.0, 61.0, false];
        $cell = ProbeModel::of(ProbeKind::ConductivityCell, 'µS', 0.5, 0.0);
        yield 'a cell of 1.6 times its constant' => [$cell, 1000.0, 790.0, true];
        yield 'more' => [$cell, 1000.0, 810.0, false];
        yield 'a cell of 0.6 times' => [$cell, 1000.0, 305.0, true];
        yield 'less' => [$cell, 1000.0, 295.0, false];
        $thermometer = ProbeModel::of(ProbeKind::Thermometer, '°C', 1.0, 0.0);
        yield 'a thermometer in ice' => [$thermometer, 0.0, 7.9, true];
        yield 'far from ice' => [$thermometer, 0.0, -8.1, false];
        yield 'a thermometer in steam, high' => [$thermometer, 100.0, 122.0, true];
        yield 'too high' => [$thermometer, 100.0, 124.0, false];
        $gauge = ProbeModel::of(ProbeKind::PressureSensor, 'V', 0.02, 0.0);
        yield 'a sensor a quarter steeper, and a tenth beside' => [$gauge, 100.0, 2.77, true];
        yield 'beyond that' => [$gauge, 100.0, 2.79, false];
        yield 'a sensor a quarter flatter, and a tenth beside' => [$gauge, 100.0, 1.37, true];
        yield 'below that' => [$gauge, 100.0, 1.35, false];
    }

    #[DataProvider('single')]
    public function test_a_single_reading_is_believed_up_to_its_limits(ProbeModel $model, float $value, float $raw, bool $is): void
    {
        self::assertSame($is, $model->expectation(25.0)->allowsReading(StandardReading::of('s', $value, $raw)));
    }

    public function test_readings_may_stray_from_their_own_line_by_so_much(): void
    {
        $ideal = CalibrationLine::kept(1.0, 0.0, 0.0, 0.0);
        $reading = static fn (float $raw): StandardReading => StandardReading::of('s', 100.0, $raw);
        $fixed = new Expectation($ideal, 0.9, 1.1, offset: 1.0, stray: 1.5, strayShare: 0.01);

        self::assertTrue($fixed->allows($ideal, $reading(101.4), $reading(98.6)));
        self::assertFalse($fixed->allows($ideal, $reading(100.0), $reading(101.6)));
        self::assertTrue((new Expectation($ideal, 0.9, 1.1, 0.0, stray: 1.5, strayShare: 0.02))->allows($ideal, $reading(101.9)));
        self::assertFalse($fixed->allows(CalibrationLine::kept(0.89, 0.0, 0.0, 0.0)));
        self::assertTrue($fixed->allows(CalibrationLine::kept(1.1, 0.0, 0.0, 0.0)));
        self::assertFalse($fixed->allows(CalibrationLine::kept(1.11, 0.0, 0.0, 0.0)));
        self::assertFalse($fixed->isProportional());
        self::assertFalse((new Expectation($ideal, 0.9, 1.1, 0.0, 0.0, offsetShare: 0.1))->isProportional());
        self::assertTrue((new Expectation($ideal, 0.9, 1.1, 0.0, 0.0))->isProportional());
    }

    public function test_a_smaller_jump_is_told_with_its_share_and_does_not_stop_anyone(): void
    {
        $ideal = ProbeModel::of(ProbeKind::PhElectrode, 'mV')->factoryLine(25.0);
        $check = new CalibrationCheck(ProbeModel::of(ProbeKind::PhElectrode, 'mV')->expectation(25.0), 'mV');
        $of = static fn (float $less): array => $check->faults([
            StandardReading::of('7.00', 7.0, 0.0), StandardReading::of('4.00', 4.0, (1.0 - $less) * $ideal->slope * -3.0),
        ], $ideal);

        self::assertSame([], $of(0.02));
        self::assertSame(CalibrationFault::CARRIED_OVER, $of(0.12)[0]->code);
        self::assertStringContainsString('is 12 % smaller than at the last calibration, as if some 7.00 stuck', $of(0.12)[0]->sentence);
        self::assertFalse($of(0.12)[0]->blocks);
    }

    public function test_a_bottle_between_is_named_where_it_fits_better_than_what_sticks_to_the_glass(): void
    {
        $ideal = CalibrationLine::kept(1.0, 0.0, 0.0, 0.0);
        $check = new CalibrationCheck(new Expectation($ideal, 0.7, 1.3, offset: 10.0, stray: 5.0), 'mV', ['80 kPa' => 80.0, '100 kPa' => 100.0]);
        $fault = $check->faults([StandardReading::of('0 kPa', 0.0, 0.0), StandardReading::of('100 kPa', 100.0, 80.0)], $ideal)[0];

        self::assertSame([CalibrationFault::ANOTHER_STANDARD, false, [1]], [$fault->code, $fault->blocks, $fault->positions]);
        self::assertStringStartsWith('80.0 mV in 100 kPa is what 80 kPa would give.', $fault->sentence);
    }

    public function test_what_must_not_be_kept_blocks_and_the_rest_is_a_warning(): void
    {
        self::assertTrue(CalibrationFault::sameStandardTwice('a', 'b', '1 mV', 0, 1)->blocks);
        self::assertTrue(CalibrationFault::standardsSwapped('a', 'b', 0, 1)->blocks);
        self::assertTrue(CalibrationFault::wrongSign()->blocks);
        self::assertFalse(CalibrationFault::carriedOver('a', 'b', 5.0, 1)->blocks);
        self::assertFalse(CalibrationFault::notSteady('a', 0)->blocks);
    }

    public function test_signals_are_told_with_digits_that_fit_them(): void
    {
        $check = new CalibrationCheck(new Expectation(CalibrationLine::kept(1.0, 0.0, 0.0, 0.0), 0.9, 1.1, offset: 1.0, stray: 1.0), 'V');
        $signal = static fn (float $raw): string => explode(' in ', $check->faults([StandardReading::of('x', 1e6, $raw)])[0]->sentence)[0];

        self::assertSame(['1,235 V', '1,000 V', '999.4 V', '10.0 V', '9.346 V', '−0.250 V'],
            array_map($signal, [1234.56, 1000.0, 999.41, 10.0, 9.3456, -0.25]));
    }

    public function test_of_known_standards_the_nearest_within_reach_is_named_and_the_usual_one_when_they_are_alike(): void
    {
        $known = new KnownStandards(['usual' => 100.0, 'alike' => 100.5, 'other' => 90.0]);
        $named = StandardReading::of('named', 200.0, 0.0);

        self::assertSame('usual', $known->near(100.4, 10.0, $named));
        self::assertSame('alike', $known->near(102.0, 4.0, $named));
        self::assertSame('other', $known->near(94.0, 10.0, $named));
        self::assertNull($known->near(120.0, 10.0, $named));
        // What was said to be read lies nearer than any of them.
        self::assertNull($known->near(96.0, 10.0, StandardReading::of('named', 97.0, 0.0)));
        self::assertSame('usual', $known->onlyOther($named, static fn (StandardReading $r): bool => $r->value === 100.0));
        self::assertNull($known->onlyOther($named, static fn (StandardReading $r): bool => $r->value > 99.0));
        self::assertNull($known->onlyOther(StandardReading::of('usual', 100.0, 0.0), static fn (StandardReading $r): bool => $r->value === 100.0));
    }

    public function test_a_bend_counts_when_it_moves_the_middle_by_half_a_per_cent_of_the_range(): void
    {
        // raw = x + b (1 - x²) between -1 and 1 with no noise: the middle is off by b of a range of 2.
        $bends = static function (float $b, float $scale = 1.0): bool {
            $readings = [];
            foreach (range(0, 6) as $k) {
                $x = ($k - 3) / 3.0;
                $readings[] = StandardReading::of("{$k}", 40.0 + 10.0 * $k, $scale * ($x + $b * (1.0 - $x * $x)), $scale * 1e-6);
            }

            return LinearCalibration::from($readings, Unit::parse('kPa'), Unit::parse('V'))->bends;
        };

        foreach ([1.0, 1e-3, 500.0] as $scale) {
            self::assertFalse($bends(0.009, $scale), "scale {$scale}");
            self::assertTrue($bends(0.011, $scale), "scale {$scale}");
            self::assertTrue($bends(-0.011, $scale), "scale {$scale}");
        }
    }

    public function test_points_all_over_the_place_are_on_no_line_and_three_points_never_bend(): void
    {
        // In turn above and below by 4 %, and by 2 %, of the range: no squared term, but no line either.
        $zigzag = static fn (float $share, int $n): bool => LinearCalibration::from(array_map(static fn (int $k): StandardReading => StandardReading::of("{$k}", 10.0 * $k, 10.0 * $k / $n + $share * 10.0 * ($k % 2 === 0 ? 1 : -1)), range(0, $n)), Unit::parse('kPa'), Unit::parse('V'))->bends;

        self::assertTrue($zigzag(0.04, 9));
        self::assertFalse($zigzag(0.02, 9));
        self::assertFalse($zigzag(0.2, 2));
        self::assertTrue($zigzag(0.1, 3));
    }

    public function test_a_last_reading_short_of_a_straight_line_was_cut_off_whichever_way_it_runs(): void
    {
        foreach ([1.0, -1.0] as $way) {
            $cut = static fn (float $short): array => ClippedReadings::find(array_map(
                static fn (int $k): StandardReading => StandardReading::of("{$k}", 100.0 + 10.0 * $k, $way * ($k === 5 ? 50.0 - $short : 10.0 * $k + ($k % 2 === 0 ? 0.03 : -0.03)), 0.01), range(0, 5),
            ));
            // The line through the others scatters by 0.04 and is 50 high: eight scatters and a hundredth of the height.
            self::assertSame([5], $cut(0.6), "short, {$way}");
            self::assertSame([], $cut(0.4), "hardly, {$way}");
            self::assertSame([], $cut(-3.0), "beyond, {$way}");
        }
    }

    public function test_readings_in_any_order_are_sorted_before_their_ends_are_looked_at(): void
    {
        $readings = array_map(static fn (float $v): StandardReading => StandardReading::of("{$v}", $v, min($v, 70.0)), [90.0, 20.0, 80.0, 50.0, 10.0, 60.0, 40.0, 30.0]);

        self::assertSame([0, 2], ClippedReadings::find($readings));
    }

    public function test_a_sound_electrode_is_told_to_be_refilled_when_its_offset_grows(): void
    {
        self::assertStringContainsString('Rinse it', ElectrodeVerdict::of(98.0, 14.0)->verdict(14.0)->advice);
        self::assertStringContainsString('refill', ElectrodeVerdict::of(98.0, -16.0)->verdict(-16.0)->advice);
        self::assertSame(ElectrodeVerdict::Offset, ElectrodeVerdict::of(98.0, -31.0));
    }

    public function test_a_cell_leaks_when_its_offset_stands_out_of_what_is_known(): void
    {
        $leaks = static fn (float $offset, float $uncertainty): bool => ConductivityCalibration::of(
            CalibrationLine::kept(1.0, 0.01, $offset, $uncertainty), 1.0, new TemperatureCompensation)->hasOffset();

        self::assertTrue($leaks(3.1, 1.0));
        self::assertTrue($leaks(-3.1, 1.0));
        self::assertFalse($leaks(2.9, 1.0));
        self::assertFalse($leaks(2.9, 0.0));
    }

    public function test_only_liquids_need_rinsing_between(): void
    {
        $rinsed = array_values(array_filter(StandardSource::cases(), static fn (StandardSource $s): bool => $s->needsRinse()));

        self::assertSame([StandardSource::Buffer, StandardSource::PotassiumChloride], $rinsed);
    }

    public function test_a_cell_is_held_against_the_constant_printed_on_it(): void
    {
        // Stated as 0.5 µS for 1 µS/cm: a constant of 2 per cm, and one standard gives it back.
        $cell = ProbeModel::of(ProbeKind::ConductivityCell, 'µS', 0.5, 0.0)->calibrated([StandardReading::of('1413', 1413.0, 706.5)], 25.0, 'µS/cm', CalibrationLine::kept(0.5, 0.0, 0.0, 0.0));

        self::assertSame('good', $cell->verdict()->code);
        self::assertEqualsWithDelta(2.0, $cell->keyFigures()[0]->measured->value, 1e-12);
    }

    public function test_numbers_that_are_none_are_refused(): void
    {
        foreach ([[NAN, 1.0, 0.0, 0.0], [1.0, INF, 0.0, 0.0], [1.0, 1.0, NAN, 0.0], [1.0, 1.0, 0.0, INF]] as [$value, $raw, $scatter, $uncertainty]) {
            try {
                StandardReading::of('7.00', $value, $raw, $scatter, valueUncertainty: $uncertainty);
                self::fail('Accepted.');
            } catch (InvalidQuantity $error) {
                self::assertStringContainsString('7.00', $error->getMessage());
            }
        }
    }
}
