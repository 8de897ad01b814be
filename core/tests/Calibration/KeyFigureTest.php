<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ConductivityCalibration;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\Grade;
use Welkion\Core\Calibration\KeyFigure;
use Welkion\Core\Calibration\LinearCalibration;
use Welkion\Core\Calibration\Nernst;
use Welkion\Core\Calibration\Origin;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Calibration\Trust;
use Welkion\Core\Calibration\Verdict;
use Welkion\Core\Units\Unit;

/** The numbers a calibration is judged by, and what they say in words. */
final class KeyFigureTest extends TestCase
{
    public function test_an_electrode_is_judged_by_its_share_of_the_ideal_slope_and_its_voltage_at_ph_7(): void
    {
        $line = CalibrationLine::kept(-0.96 * Nernst::idealSlope(20.0), 0.2, 8.5, 0.4, 0.0, 7.0);
        [$slope, $offset] = ElectrodeCalibration::of($line, 20.0)->keyFigures();

        self::assertEqualsWithDelta(96.0, $slope->measured->value, 1e-9);
        // 0.2 mV of 58.17 mV are 0.34 %.
        self::assertEqualsWithDelta(100.0 * 0.2 / Nernst::idealSlope(20.0), $slope->measured->uncertainty, 1e-9);
        self::assertSame(['%', 95.0, 102.0, 85.0, null], [$slope->measured->unit->symbol, $slope->goodFrom, $slope->goodTo, $slope->usableFrom, $slope->usableTo]);
        self::assertSame([8.5, 0.4, 'mV', -15.0, 15.0], [$offset->measured->value, $offset->measured->uncertainty, $offset->measured->unit->symbol, $offset->goodFrom, $offset->goodTo]);
    }

    public function test_a_cell_tells_where_nothing_conducts_only_when_more_than_one_standard_was_read(): void
    {
        $read = static fn (float $kappa, float $conductance): StandardReading => StandardReading::of("{$kappa}", $kappa, $conductance, 0.1, true, 0.005 * $kappa);
        $of = static fn (StandardReading ...$readings): array => ConductivityCalibration::from(array_values($readings), 1.0, new TemperatureCompensation)->keyFigures();

        $one = $of($read(1413.0, 1300.0));
        self::assertCount(1, $one);
        self::assertEqualsWithDelta(1413.0 / 1300.0, $one[0]->measured->value, 1e-12);
        // The standard's half per cent is that of the constant too.
        self::assertEqualsWithDelta(0.005 * 1413.0 / 1300.0, $one[0]->measured->uncertainty, 1e-4);
        self::assertSame(['1/cm', 0.9, 1.1, 0.8, 1.2], [Unit::parse('1/cm')->symbol, $one[0]->goodFrom, $one[0]->goodTo, $one[0]->usableFrom, $one[0]->usableTo]);
        self::assertCount(2, $of($read(147.0, 138.0), $read(1413.0, 1300.0)));
    }

    /** @return iterable<string, array{float, string, Grade, string}> slope as a share of the stated one */
    public static function shares(): iterable
    {
        yield 'as stated' => [1.0, 'straight', Grade::Good, '+0.0 %'];
        yield 'a little less' => [0.96, 'straight', Grade::Good, '−4.0 %'];
        yield 'changed' => [1.12, 'off', Grade::Fair, '+12.0 %'];
        yield 'far off' => [0.7, 'far_off', Grade::Poor, '−30.0 %'];
    }

    #[DataProvider('shares')]
    public function test_a_linear_probe_is_held_against_what_its_maker_states(float $share, string $code, Grade $grade, string $percent): void
    {
        $stated = CalibrationLine::kept(0.02, 0.0, 0.3, 0.0);
        $calibration = LinearCalibration::of(CalibrationLine::kept(0.02 * $share, 1e-4, 0.31, 0.01), Unit::parse('kPa'), Unit::parse('V'), $stated);

        self::assertSame([$code, $grade], [$calibration->verdict()->code, $calibration->verdict()->grade]);
        self::assertStringContainsString("Its slope is {$percent} from what its maker states.", $calibration->verdict()->advice);
        self::assertEqualsWithDelta(100.0 * $share, $calibration->keyFigures()[0]->measured->value, 1e-9);
        self::assertSame([85.0, 115.0], array_map(round(...), [$calibration->keyFigures()[0]->usableFrom ?? NAN, $calibration->keyFigures()[0]->usableTo ?? NAN]));
    }

    public function test_without_a_stated_line_the_slope_itself_is_told(): void
    {
        $calibration = LinearCalibration::of(CalibrationLine::kept(1.514, 0.002, 3.2, 0.05), Unit::parse('mL'), Unit::parse('mm'));
        [$slope, $offset] = $calibration->keyFigures();

        self::assertSame(['for one mL', 1.514, 'mm'], [$slope->label, $slope->measured->value, $slope->measured->unit->symbol]);
        self::assertSame(['at 0 mL', 3.2], [$offset->label, $offset->measured->value]);
        self::assertSame([null, null], [$slope->goodFrom, $slope->usableFrom], 'Nothing is expected of it.');
        self::assertSame('The readings lie on a straight line.', $calibration->verdict()->advice);
    }

    public function test_every_first_figure_is_good_where_the_verdict_is(): void
    {
        foreach ([ProbeModel::of(ProbeKind::PhElectrode, 'mV'), ProbeModel::of(ProbeKind::ConductivityCell, 'µS', 1.0, 0.0), ProbeModel::of(ProbeKind::GripBulb, 'V', 0.02, 0.3)] as $model) {
            foreach ([0.6, 0.8, 0.93, 0.97, 1.0, 1.04, 1.12, 1.4] as $share) {
                $line = $model->factoryLine();
                $calibration = $model->calibration(CalibrationLine::kept($share * $line->slope, 0.0, $line->offset, 0.0, 0.0, $line->reference), 25.0, $model->kind->unit());
                $figure = $calibration->keyFigures()[0];

                self::assertSame(self::isWithin($figure), $calibration->verdict()->grade === Grade::Good, "{$model->kind->value} at {$share}");
            }
        }
    }

    public function test_a_line_that_is_not_its_own_is_never_trusted_silently(): void
    {
        $good = new Verdict('healthy', Grade::Good, 'Healthy electrode.', '');

        self::assertSame(Trust::Borrowed, Trust::of(ProbeKind::Thermometer, $good, 0.0, Origin::Copied));
        self::assertFalse(Trust::Borrowed->isUnquestioned());
        self::assertSame('Left hand: reads by the calibration of another probe.', Trust::Borrowed->sentence('Left hand', $good, 0.0));
        self::assertSame(Trust::Missing, Trust::of(ProbeKind::PhElectrode, $good, 0.0, Origin::Factory), 'An ideal line is no calibration.');
        self::assertSame(Trust::Factory, Trust::of(ProbeKind::Thermometer, $good, 400.0, Origin::Factory), 'A maker’s line does not grow old.');
        self::assertSame(Trust::Good, Trust::of(ProbeKind::PhElectrode, $good, 6.9));
        self::assertSame(Trust::Old, Trust::of(ProbeKind::PhElectrode, $good, 7.1));
    }

    public function test_only_a_stated_line_reads_anything_before_a_calibration(): void
    {
        self::assertTrue(ProbeModel::of(ProbeKind::PressureSensor, 'V', 0.018, 0.2)->readsFromFactory());
        self::assertFalse(ProbeModel::of(ProbeKind::Plunger, 'mm')->readsFromFactory());
        self::assertFalse(ProbeModel::of(ProbeKind::PhElectrode, 'mV', -59.16, 0.0)->readsFromFactory(), 'No electrode is ideal.');
    }

    private static function isWithin(KeyFigure $figure): bool
    {
        $value = $figure->measured->value;

        return $value >= ($figure->goodFrom ?? -INF) && $value <= ($figure->goodTo ?? INF);
    }
}
