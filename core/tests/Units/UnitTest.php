<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Units;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Exception\UnknownUnit;
use Welkion\Core\Units\Unit;

final class UnitTest extends TestCase
{
    /** Factors are exact decimal ratios; what remains is the rounding of a few double operations. */
    private const ROUNDING = 1e-12;

    /** @return iterable<string, array{float, string, float, string}> */
    public static function conversions(): iterable
    {
        yield 'millilitres to litres' => [25.0, 'mL', 0.025, 'L'];
        yield 'as people type it' => [25.0, 'ml', 25.0, 'cm3'];
        yield 'cubic centimetres with a superscript' => [1.0, 'cm³', 1.0, 'mL'];
        yield 'cubic millimetres are not millilitres' => [1000.0, 'mm^3', 1.0, 'mL'];
        yield 'amount concentration' => [0.1, 'mol/L', 100.0, 'mmol/L'];
        yield 'inverse litre by power' => [0.1, 'mol L^-1', 0.1, 'mol/L'];
        yield 'the short way of writing it' => [0.1, 'M', 0.1, 'mol/L'];
        yield 'per cubic decimetre' => [0.1, 'mol dm-3', 0.1, 'mol/L'];
        yield 'degrees to kelvin' => [25.0, '°C', 298.15, 'K'];
        yield 'kelvin to degrees' => [273.15, 'K', 0.0, 'degC'];
        yield 'conductivity' => [1413.0, 'uS/cm', 1.413, 'mS/cm'];
        yield 'specific heat with brackets' => [4.18, 'J/(g K)', 4180.0, 'J/(kg K)'];
        yield 'pressure' => [101.325, 'kPa', 101325.0, 'N/m^2'];
        yield 'per cent' => [97.8, '%', 0.978, ''];
        yield 'volts from milli' => [175.6, 'mV', 0.1756, 'V'];
    }

    #[DataProvider('conversions')]
    public function test_converts_there_and_back(float $value, string $from, float $expected, string $to): void
    {
        $there = Unit::parse($from)->convert($value, Unit::parse($to));

        self::assertEqualsWithDelta($expected, $there, abs($expected) * self::ROUNDING + self::ROUNDING);
        self::assertEqualsWithDelta($value, Unit::parse($to)->convert($there, Unit::parse($from)), abs($value) * self::ROUNDING + 1e-10);
    }

    public function test_a_difference_of_degrees_is_as_many_kelvin(): void
    {
        self::assertSame(5.0, Unit::parse('°C')->convertDifference(5.0, Unit::parse('K')));
    }

    public function test_refuses_to_convert_what_measures_something_else(): void
    {
        $this->expectException(UnitMismatch::class);
        $this->expectExceptionMessage('A value in mL cannot be given in g: they measure different things.');

        Unit::parse('mL')->convert(1.0, Unit::parse('g'));
    }

    public function test_refuses_a_ratio_with_degrees_that_do_not_start_at_zero(): void
    {
        $this->expectException(UnitMismatch::class);
        $this->expectExceptionMessage('°C does not start at zero, so it cannot be multiplied or divided. Convert it to K first.');

        Unit::parse('mL')->per(Unit::parse('°C'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function nonsense(): iterable
    {
        yield 'a word' => ['drops', '"drops" is not a unit Welkion knows. Write it like mL, mol/L, mV or °C.'];
        yield 'a part of a quotient' => ['mol/drop', '"drop" (in "mol/drop") is not a unit Welkion knows. Write it like mL, mol/L, mV or °C.'];
        yield 'a prefix where none goes' => ['kmin', '"kmin" is not a unit Welkion knows. Did you mean min?'];
    }

    #[DataProvider('nonsense')]
    public function test_says_which_part_of_a_unit_it_does_not_know(string $text, string $sentence): void
    {
        $this->expectException(UnknownUnit::class);
        $this->expectExceptionMessage($sentence);

        Unit::parse($text);
    }
}
