<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\StandardSource;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

final class StandardTest extends TestCase
{
    /** @return iterable<string, array{Standard, Surroundings, float, float}> standard, where, value there, tolerance */
    public static function values(): iterable
    {
        yield 'melting ice anywhere' => [Standard::ice(), new Surroundings(30.0, 80.0), 0.0, 0.0];
        // Steam tables (IAPWS-95): water boils at 99.974 °C at 101.325 kPa and at 93.49 °C at 80 kPa.
        yield 'boiling water at normal pressure' => [Standard::boilingWater(), new Surroundings, 99.974, 0.05];
        yield 'boiling water on a mountain' => [Standard::boilingWater(), new Surroundings(barometerKpa: 80.0), 93.49, 0.05];
        yield 'room air' => [Standard::room(), new Surroundings(barometerKpa: 97.3), 97.3, 0.0];
        // Bates, Determination of pH, table 4-2.
        yield 'borax at 15 °C' => [Standard::buffer(Buffer::Borax), new Surroundings(15.0), 9.276, 1e-9];
        yield 'potassium chloride at 25 °C' => [Standard::potassiumChloride(PotassiumChloride::Hundredth), new Surroundings(25.0), 1413.0, 1e-9];
        // 1413 (1 - 5 · 0.0191).
        yield 'potassium chloride at 20 °C' => [Standard::potassiumChloride(PotassiumChloride::Hundredth), new Surroundings(20.0), 1278.0585, 1e-9];
        yield 'two kilograms' => [Standard::weight(2.0), new Surroundings, 19.6133, 1e-9];
        yield 'a pulse' => [Standard::pulse(1.0), new Surroundings(3.0), 1.0, 0.0];
        yield 'a typed value' => [Standard::typed('gauge', 147.2, 0.3, 'kPa'), new Surroundings(40.0, 90.0), 147.2, 0.0];
    }

    #[DataProvider('values')]
    public function test_is_worth_what_it_is_where_it_stands(Standard $standard, Surroundings $there, float $value, float $tolerance): void
    {
        self::assertEqualsWithDelta($value, $standard->valueIn($there), $tolerance);
    }

    public function test_nothing_to_measure_is_exact_and_a_fit_is_no_point(): void
    {
        $rest = Standard::rest('bulb let go', 'kPa');

        self::assertSame([0.0, 0.0, true], [$rest->value, $rest->uncertainty, $rest->isPoint()]);
        self::assertFalse(Standard::fit('comfortable stretch', 5.0, 'N')->isPoint());
    }

    public function test_what_a_probe_can_be_calibrated_at_is_named_once_and_needs_no_typing(): void
    {
        foreach (ProbeKind::cases() as $kind) {
            $choices = Recipe::standardChoices($kind, $kind->unit());
            $names = array_map(static fn (Standard $s): string => "{$s->source->value} {$s->code} {$s->label}", $choices);

            self::assertSame(array_unique($names), $names, $kind->value);
            self::assertNotContains(StandardSource::Typed, array_map(static fn (Standard $s): StandardSource => $s->source, $choices), $kind->value);
        }
        self::assertCount(count(Buffer::cases()), Recipe::standardChoices(ProbeKind::PhElectrode, ProbeKind::PhElectrode->unit()));
        self::assertCount(count(PotassiumChloride::cases()), Recipe::standardChoices(ProbeKind::ConductivityCell, ProbeKind::ConductivityCell->unit()));
        self::assertEqualsCanonicalizing(
            [StandardSource::Ice, StandardSource::Boiling], array_map(static fn (Standard $s): StandardSource => $s->source, Recipe::standardChoices(ProbeKind::Thermometer, ProbeKind::Thermometer->unit())),
        );
    }

    /** @return iterable<string, array{\Closure(): mixed, string}> */
    public static function nonsense(): iterable
    {
        yield 'a weight of nothing' => [static fn () => Standard::weight(0.0), 'mass'];
        yield 'a weight that is no number' => [static fn () => Standard::weight(NAN), 'mass'];
        yield 'an endless value' => [static fn () => Standard::typed('x', INF, 0.0, 'kPa'), 'value of the standard'];
        yield 'a negative uncertainty' => [static fn () => Standard::typed('x', 1.0, -0.1, 'kPa'), 'uncertainty'];
        yield 'boiling in a vacuum' => [static fn () => Standard::boilingWater()->valueIn(new Surroundings(barometerKpa: 2.0)), 'barometric pressure'];
        yield 'a coefficient of no solution' => [static fn () => new TemperatureCompensation(0.5), 'temperature coefficient'];
    }

    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_by_name(\Closure $make, string $named): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage($named);
        $make();
    }

    public function test_every_kind_has_units_limits_and_recipes_that_fit_together(): void
    {
        foreach (ProbeKind::cases() as $kind) {
            self::assertSame($kind->unit(), Unit::parse($kind->unit())->symbol, 'A unit is written as the core writes it.');
            self::assertGreaterThan(0.0, $kind->steadyLimits()->windowS);
            self::assertGreaterThanOrEqual(20.0, $kind->liveHz());
            self::assertSame($kind === ProbeKind::FingerPulse, Recipe::for($kind) === []);
            foreach (Recipe::for($kind) as $recipe) {
                $standards = $recipe->standards($kind, $kind->unit());
                $points = array_filter($standards, static fn (Standard $s): bool => $s->isPoint());
                self::assertGreaterThanOrEqual($recipe->leastStandards(), count($points), $recipe->value);
                self::assertSame([$recipe->unit($kind->unit())], array_values(array_unique(array_map(static fn (Standard $s): string => $s->unit, $standards))), $recipe->value);
                $hasTyped = array_filter($standards, static fn (Standard $s): bool => $s->source === StandardSource::Typed) !== [];
                self::assertTrue(! $recipe->isReadBeside() || $hasTyped, 'What is read beside a probe is typed.');
                self::assertNotSame('', $recipe->hint());
            }
        }
    }

    public function test_a_sound_probe_of_any_kind_raises_no_doubt_and_is_good(): void
    {
        foreach (self::models() as [$model, $celsius]) {
            $kind = $model->kind;
            $recipe = Recipe::for($kind)[0];
            $line = $model->factoryLine($celsius);
            $readings = array_map(static fn (Standard $s): StandardReading => StandardReading::of(
                $s->label, $s->valueIn(new Surroundings($celsius)), $line->rawAt($s->valueIn(new Surroundings($celsius))), 0.001 * abs($line->slope), true, $s->uncertainty,
            ), array_values(array_filter($recipe->standards($kind, $kind->unit()), static fn (Standard $s): bool => $s->isPoint())));
            $calibrated = $model->calibrated($readings, $celsius, $kind->unit(), $line);

            self::assertSame([], (new CalibrationCheck($model->expectation($celsius), 'raw'))->faults($readings), $kind->value);
            self::assertTrue($calibrated->verdict()->isUsable(), $kind->value);
            self::assertEqualsWithDelta($line->slope, $calibrated->line()->slope, 1e-9 * abs($line->slope), $kind->value);
            $shown = $calibrated->quantity($line->rawAt(3.0), 0.0, $kind === ProbeKind::ConductivityCell ? 25.0 : $celsius);
            self::assertEqualsWithDelta(3.0, $shown->value, 1e-6, $kind->value);
            self::assertSame($kind->unit(), $shown->unit->symbol);
        }
    }

    public function test_swapped_and_doubled_standards_are_found_on_probes_of_any_slope(): void
    {
        foreach (self::models() as [$model, $celsius]) {
            $line = $model->factoryLine($celsius);
            [$low, $high] = $model->kind === ProbeKind::PhElectrode ? [4.0, 10.0] : [10.0, 90.0];
            $check = new CalibrationCheck($model->expectation($celsius), 'raw');
            $read = static fn (float $value, float $at): StandardReading => StandardReading::of("of {$value}", $value, $line->rawAt($at), 0.0, true);
            $codes = static fn (array $readings): array => array_map(static fn (CalibrationFault $f): string => $f->code, $check->faults($readings));

            self::assertSame([], $codes([$read($low, $low), $read($high, $high)]), $model->kind->value);
            self::assertSame([CalibrationFault::STANDARDS_SWAPPED], $codes([$read($low, $high), $read($high, $low)]), $model->kind->value);
            self::assertSame([CalibrationFault::SAME_STANDARD_TWICE], $codes([$read($low, $low), $read($high, $low)]), $model->kind->value);
        }
    }

    public function test_a_belt_sits_well_near_the_wanted_pull_and_is_told_otherwise(): void
    {
        $stretch = Standard::fit('comfortable stretch', 5.0, 'N');
        $shows = static fn (float $newtons): ?CalibrationFault => CalibrationCheck::fit($stretch, Measured::of($newtons, 0.1, Unit::parse('N')), 1);

        self::assertNull($shows(5.9));
        self::assertNull($shows(4.1));
        self::assertSame([1], $shows(1.3)?->positions);
        self::assertSame('For a comfortable stretch it should show about 5.0 N, but shows 1.3 N. Loosen or tighten it and read it again.', $shows(1.3)->sentence);
        self::assertFalse($shows(12.0)?->blocks);
    }

    public function test_faults_say_what_to_do_and_can_be_counted_otherwise(): void
    {
        $expired = CalibrationFault::expired('buffer 7.00', '31 March 2026', 0);
        $untyped = CalibrationFault::notTyped('gauge', 2);

        self::assertSame([CalibrationFault::EXPIRED, false, [4]], [$expired->code, $expired->blocks, $expired->at([4])->positions]);
        self::assertStringStartsWith('The bottle of buffer 7.00 was good until 31 March 2026.', $expired->at([4])->sentence);
        self::assertSame([CalibrationFault::NOT_TYPED, true], [$untyped->code, $untyped->blocks]);
    }

    /** @return iterable<array{ProbeModel, float}> a sound probe of each kind that has a maker's line, and a temperature */
    private static function models(): iterable
    {
        yield [ProbeModel::of(ProbeKind::PhElectrode, 'mV'), 22.0];
        yield [ProbeModel::of(ProbeKind::ConductivityCell, 'µS', 1.0, 0.0), 25.0];
        yield [ProbeModel::of(ProbeKind::Thermometer, '°C', 1.0, 0.0), 22.0];
        yield [ProbeModel::of(ProbeKind::PressureSensor, 'V', 0.018, 0.2), 22.0];
        yield [ProbeModel::of(ProbeKind::EcgLead, 'V', 1.0, 1.0), 22.0];
        yield [ProbeModel::of(ProbeKind::BreathingBelt, 'mV', 20.0, 12.0), 22.0];
    }
}
