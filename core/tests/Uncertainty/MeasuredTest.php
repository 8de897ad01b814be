<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Uncertainty;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

final class MeasuredTest extends TestCase
{
    public function test_relative_uncertainties_of_a_product_add_in_squares(): void
    {
        // Worked by hand: 3 % and 4 % make 5 %.
        $product = self::measured(2.0, 0.06, 'mol/L')->times(self::measured(10.0, 0.4, 'mL'))->inUnit('mmol');

        self::assertEqualsWithDelta(20.0, $product->value, 1e-12);
        self::assertEqualsWithDelta(1.0, $product->uncertainty, 1e-12);
    }

    public function test_absolute_uncertainties_of_a_sum_add_in_squares_across_units(): void
    {
        $sum = self::measured(20.0, 0.03, 'mL')->plus(self::measured(0.005, 0.00004, 'L'));

        self::assertEqualsWithDelta(25.0, $sum->value, 1e-12);
        self::assertEqualsWithDelta(0.05, $sum->uncertainty, 1e-12);
    }

    public function test_one_temperature_less_another_is_a_difference(): void
    {
        $told = static fn (Measured $m): array => [round($m->value, 9), round($m->uncertainty, 9), $m->unit->symbol];

        self::assertSame([4.0, 0.5, 'K'], $told(self::measured(25.0, 0.3, 'degC')->minus(self::measured(21.0, 0.4, 'degC'))));
        self::assertSame([21.0, 0.5, '°C'], $told(self::measured(25.0, 0.3, 'degC')->minus(self::measured(4.0, 0.4, 'K'))));
        // 20 °C are 68 °F; 9 °F of difference are 5 K.
        $mixed = self::measured(77.0, 0.0, '°F')->minus(self::measured(20.0, 0.0, 'degC'));
        self::assertSame([9.0, 0.0, 'Δ°F'], $told($mixed));
        self::assertEqualsWithDelta(5.0, $mixed->in(Unit::parse('K'))->value, 1e-9);
    }

    public function test_dividing_agrees_with_finite_differences(): void
    {
        $quotient = self::measured(1.045, 0.004, 'mmol')->dividedBy(self::measured(25.0, 0.03, 'mL'));

        $byFirst = (1.045 + 0.004) / 25.0 - 1.045 / 25.0;
        $bySecond = 1.045 / (25.0 + 0.03) - 1.045 / 25.0;
        // First order against a difference quotient of 0.1 %: they agree to about as much.
        self::assertEqualsWithDelta(hypot($byFirst, $bySecond), $quotient->uncertainty, 2e-3 * $quotient->uncertainty);
    }

    public function test_refuses_to_add_volumes_to_masses(): void
    {
        $this->expectException(UnitMismatch::class);
        $this->expectExceptionMessage('A value in g cannot be added to one in mL');

        self::measured(1.0, 0.0, 'mL')->plus(self::measured(1.0, 0.0, 'g'));
    }

    public function test_refuses_a_division_by_zero_and_what_is_not_a_number(): void
    {
        try {
            self::measured(1.0, 0.0, 'mL')->dividedBy(self::measured(0.0, 0.1, 's'));
            self::fail('A division by zero was accepted.');
        } catch (InvalidQuantity $error) {
            self::assertSame('A value cannot be divided by 0 s.', $error->getMessage());
        }
        $this->expectException(InvalidQuantity::class);
        self::measured(NAN, 0.0, 'mL');
    }

    /** @return iterable<string, array{float, float, string, string}> */
    public static function digits(): iterable
    {
        yield 'one digit of uncertainty' => [10.4621, 0.0623, '10.46', '0.06'];
        yield 'two when it begins with 1' => [3.8642, 0.01384, '3.864', '0.014'];
        yield 'trailing zeros that are known are kept' => [0.041801, 0.000162, '0.04180', '0.00016'];
        yield 'just below ten moves one place up' => [24.3712, 0.096, '24.37', '0.10'];
        yield 'whole numbers' => [1234.5, 32.0, '1235', '32'];
        yield 'a value that rounds to zero has no sign' => [-0.0004, 0.02, '0.00', '0.02'];
        yield 'no uncertainty, all digits' => [90.08, 0.0, '90.08', ''];
        yield 'no uncertainty, as many as anybody types' => [9192631770.0, 0.0, '9192631770', ''];
        yield 'no uncertainty, worked out' => [61.0 / 6.0, 0.0, '10.1667', ''];
        yield 'no uncertainty, worked out and small' => [-1e-3 / 7.0, 0.0, '-0.000142857', ''];
        yield 'what rounding leaves of exact points' => [-0.020000000000000004, 1.9e-19, '-0.02', ''];
        yield 'the finest that is measured anywhere is one' => [9192631770.0, 0.1, '9192631770.00', '0.10'];
    }

    #[DataProvider('digits')]
    public function test_shows_the_digits_the_uncertainty_allows(float $value, float $uncertainty, string $shown, string $shownUncertainty): void
    {
        $digits = Digits::of(self::measured($value, $uncertainty, 'mL'));

        self::assertSame([$shown, $shownUncertainty], [$digits->value, $digits->uncertainty]);
    }

    private static function measured(float $value, float $uncertainty, string $unit): Measured
    {
        return Measured::of($value, $uncertainty, Unit::parse($unit));
    }

    public function test_round_numbers_are_written_as_in_a_rule(): void
    {
        $written = array_map(Digits::round(...), [0.0, 0.001, 0.0191, 1.0, 200.0, -50.0, 500_000.0, 1e6, 1e12, -1e12, 1e-9, 2.5e-7, 8.5e-6, 5e-324]);

        self::assertSame(['0', '0.001', '0.0191', '1', '200', '-50', '500000', '1000000', '1e12', '-1e12', '1e-9', '2.5e-7', '8.5e-6', '4.94e-324'], $written);
    }

    public function test_a_resolution_tells_how_many_digits_mean_anything(): void
    {
        self::assertSame([1, 2, 4, 0, 0, 3], array_map(Digits::decimalsOf(...), [0.1, 0.05, 0.0005, 1.0, 25.0, 0.0]));
    }
}
