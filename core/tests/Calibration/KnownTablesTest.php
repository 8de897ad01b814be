<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\Nernst;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardRange;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Exception\InvalidQuantity;

/** What is written down rather than worked out: values of standards, limits and defaults of kinds, recipes. */
final class KnownTablesTest extends TestCase
{
    #[DataProvider('buffers')]
    public function test_a_buffer_changes_evenly_with_temperature(Buffer $buffer): void
    {
        // An equilibrium constant is a smooth function of temperature: in steps of 5 K its second differences are small, so that a slip of a digit stands out.
        $values = array_map(static fn (int $k): float => $buffer->phAt(5.0 * $k), range(0, 10));
        for ($k = 1; $k < 10; $k++) {
            self::assertLessThanOrEqual(0.0221, abs($values[$k - 1] - 2.0 * $values[$k] + $values[$k + 1]), "{$buffer->value} at ".(5 * $k).' °C');
        }
        self::assertEqualsWithDelta((float) preg_replace('/^\D+/', '', $buffer->label()), $buffer->nominalPh(), 1e-12);
        self::assertSame($values[0], $buffer->phAt(-20.0));
        self::assertSame($values[10], $buffer->phAt(80.0));
    }

    /** @return iterable<string, array{Buffer}> */
    public static function buffers(): iterable
    {
        foreach (Buffer::cases() as $buffer) {
            yield $buffer->value => [$buffer];
        }
    }

    public function test_kinds_are_steady_by_limits_that_fit_their_signal(): void
    {
        $limits = [];
        foreach (ProbeKind::cases() as $kind) {
            $l = $kind->steadyLimits();
            $limits[$kind->value] = [$l->driftPerMinute, $l->scatter, $l->tolerance, $l->windowS];
        }

        // A pulse, a lead and a breath come and go within seconds; chemistry is judged over ten of them (domain: default window 10 s).
        self::assertSame([
            'ph-electrode' => [0.02, 0.0085, 0.0085, 10.0], 'conductivity-cell' => [1.0, 1.0, 1.0, 10.0], 'thermometer' => [0.3, 0.1, 0.1, 10.0],
            'pressure-sensor' => [0.3, 0.15, 0.1, 10.0], 'plunger' => [0.2, 0.05, 0.05, 5.0], 'ecg-lead' => [0.1, 0.03, 0.02, 3.0],
            'grip-bulb' => [1.0, 0.3, 0.2, 5.0], 'breathing-belt' => [0.5, 0.1, 0.1, 5.0], 'finger-pulse' => [0.5, 0.05, 0.05, 5.0], 'any-quantity' => [1.0, 0.5, 0.5, 10.0],
        ], $limits);
    }

    public function test_a_lead_is_watched_fast_and_the_rest_at_the_pace_of_a_screen(): void
    {
        self::assertSame([500.0, 20.0, 20.0], [ProbeKind::EcgLead->liveHz(), ProbeKind::PhElectrode->liveHz(), ProbeKind::GripBulb->liveHz()]);
        self::assertSame(25.0, (new Surroundings)->celsius);
        self::assertSame(101.325, (new Surroundings)->barometerKpa);
    }

    /** @return iterable<string, array{Recipe, ProbeKind, list<array{float, float, string}>}> value, ± and unit as they are offered first */
    public static function recipes(): iterable
    {
        yield 'thermometer' => [Recipe::BesideThermometer, ProbeKind::Thermometer, [[10.0, 0.1, '°C'], [50.0, 0.1, '°C']]];
        yield 'gauge' => [Recipe::BesideGauge, ProbeKind::PressureSensor, [[80.0, 0.3, 'kPa'], [150.0, 0.3, 'kPa']]];
        yield 'gauge of a bulb' => [Recipe::BesideGauge, ProbeKind::GripBulb, [[0.0, 0.0, 'kPa'], [20.0, 0.2, 'kPa']]];
        yield 'bore' => [Recipe::Bore, ProbeKind::Plunger, [[20.0, 0.1, 'mL']]];
        yield 'marks' => [Recipe::VolumeMarks, ProbeKind::Plunger, [[10.0, 0.1, 'mL'], [30.0, 0.1, 'mL'], [50.0, 0.1, 'mL']]];
        yield 'belt' => [Recipe::SlackAndStretch, ProbeKind::BreathingBelt, [[0.0, 0.0, 'N'], [5.0, 0.0, 'N']]];
    }

    /** @param  list<array{float, float, string}>  $values */
    #[DataProvider('recipes')]
    public function test_a_recipe_begins_with_sensible_values(Recipe $recipe, ProbeKind $kind, array $values): void
    {
        self::assertSame($values, array_map(static fn (Standard $s): array => [$s->value, $s->uncertainty, $s->unit], $recipe->standards($kind, $kind->unit())));
        self::assertSame($recipe !== Recipe::SlackAndStretch, $recipe->isReadBeside());
    }

    public function test_hung_weights_are_two_and_five_kilograms(): void
    {
        // Weights in newtons: mass times 9.80665 m/s² (CGPM 1901).
        $there = new Surroundings;
        $values = array_map(static fn (Standard $s): float => $s->valueIn($there), Recipe::HungWeights->standards(ProbeKind::GripBulb, ProbeKind::GripBulb->unit()));

        self::assertEqualsWithDelta([0.0, 2.0 * 9.80665, 5.0 * 9.80665], $values, 1e-9);
        self::assertFalse(Recipe::HungWeights->isReadBeside());
        self::assertFalse(Recipe::Buffers->isReadBeside());
    }

    public function test_standards_lie_where_the_quantity_can_be(): void
    {
        $ends = array_map(static fn (string $unit): array => [StandardRange::in($unit)->least, StandardRange::in($unit)->most], ['°C', 'kPa', 'µS/cm', 'N', 'mL', 'mV']);

        self::assertSame([[-50.0, 250.0], [0.0, 1000.0], [0.01, 500_000.0], [0.0, 2000.0], [0.0, 1000.0], [-1000.0, 1000.0]], $ends);
    }

    public function test_the_ideal_slope_is_told_for_a_liquid_in_a_beaker(): void
    {
        // ln 10 R T / F, in mV: 52.21 at -10 °C, 76.03 at 110 °C.
        self::assertEqualsWithDelta(52.2146, Nernst::idealSlope(-10.0), 1e-3);
        self::assertEqualsWithDelta(76.0252, Nernst::idealSlope(110.0), 1e-3);
        foreach ([-10.1, 110.1, NAN] as $celsius) {
            try {
                Nernst::idealSlope($celsius);
                self::fail("Accepted {$celsius}.");
            } catch (InvalidQuantity $error) {
                self::assertStringContainsString('-10', $error->getMessage());
            }
        }
    }
}
