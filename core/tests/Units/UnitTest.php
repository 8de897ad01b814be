<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Units;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Exception\UnknownUnit;
use Welkion\Core\Tests\Chance;
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

    /**
     * BIPM, The International System of Units, 9th edition (2019), tables 4, 7 and 8; NIST Special Publication 811 (2008), appendix B.8.
     *
     * @return iterable<string, array{string, float, string}> a unit, and what it is
     */
    public static function definitions(): iterable
    {
        $all = [
            ['t', 1000.0, 'kg'], ['L', 1.0, 'dm^3'], ['min', 60.0, 's'], ['h', 60.0, 'min'], ['d', 24.0, 'h'], ['Hz', 1.0, '1/s'], ['bpm', 1.0, '1/min'], ['rpm', 1.0, '1/min'],
            ['N', 1.0, 'kg m/s^2'], ['Pa', 1.0, 'N/m^2'], ['bar', 100_000.0, 'Pa'], ['atm', 101_325.0, 'Pa'], ['mmHg', 133.322387415, 'Pa'], ['cmH2O', 98.0665, 'Pa'],
            ['Torr', 133.32236842105263, 'Pa'], ['psi', 6894.757293168, 'Pa'], ['J', 1.0, 'N m'], ['cal', 4.184, 'J'], ['Wh', 3600.0, 'W s'], ['eV', 1.602176634e-19, 'J'],
            ['W', 1.0, 'J/s'], ['C', 1.0, 'A s'], ['V', 1.0, 'W/A'], ['Ω', 1.0, 'V/A'], ['S', 1.0, 'A/V'], ['F', 1.0, 'C/V'], ['T', 1.0, 'V s/m^2'], ['lx', 1.0, 'lm/m^2'], ['lm', 1.0, 'cd'],
            ['kat', 1.0, 'mol/s'], ['rad', 1.0, 'm/m'], ['°', 0.017453292519943295, 'rad'], ['%', 0.01, ''], ['ppm', 1e-4, '%'], ['K', 1.8, 'Δ°F'], ['g', 0.001, 'kg'],
        ];
        foreach ($all as $one) {
            yield $one[0] => $one;
        }
    }

    #[DataProvider('definitions')]
    public function test_a_unit_is_what_the_standards_say(string $unit, float $count, string $of): void
    {
        $of = str_starts_with($of, 'Δ') ? Unit::parse(mb_substr($of, 1))->difference() : Unit::parse($of);

        self::assertEqualsWithDelta($count, Unit::parse($unit)->factor / $of->factor, $count * self::ROUNDING);
        self::assertTrue(Unit::parse($unit)->measuresTheSameAs($of));
    }

    public function test_bases_stand_for_themselves_and_prefixes_for_powers_of_ten(): void
    {
        $bases = ['m', 'kg', 's', 'A', 'K', 'mol', 'cd', 'pH'];
        foreach ($bases as $base) {
            self::assertSame(1.0, Unit::parse($base)->factor);
            self::assertSame([$base], array_values(array_filter($bases, static fn (string $b): bool => Unit::parse($b)->measuresTheSameAs(Unit::parse($base)))));
        }
        foreach (['T' => 1e12, 'G' => 1e9, 'M' => 1e6, 'k' => 1e3, 'h' => 1e2, 'd' => 1e-1, 'c' => 1e-2, 'm' => 1e-3, 'µ' => 1e-6, 'n' => 1e-9, 'p' => 1e-12] as $prefix => $factor) {
            self::assertSame($factor, Unit::parse("{$prefix}V")->factor);
        }
    }

    /** SI units take prefixes, with bar, litre, calorie, watt-hour and electronvolt; what is counted or conventional takes none. */
    public function test_prefixes_stand_before_those_units_that_take_them(): void
    {
        foreach (['m', 'g', 's', 'A', 'K', 'mol', 'cd', 'L', 'Hz', 'N', 'Pa', 'bar', 'J', 'cal', 'Wh', 'eV', 'W', 'C', 'V', 'Ω', 'S', 'F', 'T', 'lx', 'lm', 'kat', 'rad'] as $unit) {
            self::assertEqualsWithDelta(Unit::parse($unit)->factor * 1e-9, Unit::parse("n{$unit}")->factor, Unit::parse($unit)->factor * 1e-9 * self::ROUNDING, $unit);
        }
        foreach (['t', 'pH', 'min', 'h', 'd', 'bpm', 'rpm', 'atm', 'mmHg', 'cmH2O', 'Torr', 'psi', '°C', '°F', '°', '%', 'ppm'] as $unit) {
            try {
                Unit::parse("n{$unit}");
                self::fail("n{$unit}");
            } catch (UnknownUnit $unknown) {
                self::assertStringContainsString('is not a unit Welkion knows', $unknown->getMessage());
            }
        }
    }

    public function test_powers_are_read_as_far_as_anybody_needs_them(): void
    {
        self::assertSame('m^20', Unit::parse('m^20')->symbol);
        $this->expectException(UnknownUnit::class);
        Unit::parse('m^21');
    }

    public function test_degrees_begin_where_the_standards_say(): void
    {
        self::assertEqualsWithDelta(32.0, Unit::parse('°C')->convert(0.0, Unit::parse('°F')), 1e-10);
        self::assertEqualsWithDelta(310.15, Unit::parse('°F')->convert(98.6, Unit::parse('K')), 1e-10);
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

    /** @return iterable<string, array{string, string, float}> what is written, its symbol, and its factor to SI */
    public static function spellings(): iterable
    {
        yield 'lower case litre' => ['ml', 'mL', 1e-6];
        yield 'cubed' => ['cm³', 'cm^3', 1e-6];
        yield 'a quotient with a power' => ['m/s^2', 'm/s^2', 1.0];
        yield 'negative powers' => ['g·m⁻³', 'g/m^3', 1e-3];
        yield 'micro by the letter u' => ['uS/cm', 'µS/cm', 1e-4];
        yield 'the other micro sign' => ["\u{03BC}S/cm", 'µS/cm', 1e-4];
        yield 'a slash divides by all that follows' => ['J/g K', 'J/(g K)', 1e3];
        yield 'degrees in a quotient are differences' => ['J/(g °C)', 'J/(g K)', 1e3];
        yield 'one over' => ['1/kg', '1/kg', 1.0];
        yield 'a dot between letters' => ['mol.L-1', 'mol/L', 1e3];
        yield 'a number in front' => ['10^6/mL', '10^6/mL', 1e12];
        yield 'a root' => ['s^(1/2)', 's^0.5', 1.0];
        yield 'calories' => ['kcal', 'kcal', 4184.0];
        yield 'beats a minute' => ['bpm', 'bpm', 1.0 / 60.0];
        yield 'millimetres of mercury' => ['mmHg', 'mmHg', 133.322387415];
        yield 'atmospheres' => ['atm', 'atm', 101325.0];
        yield 'enzyme activity' => ['µmol/(L min)', 'µmol/(L min)', 1e-3 / 60.0];
        yield 'a plain number' => ['', '', 1.0];
    }

    #[DataProvider('spellings')]
    public function test_reads_what_people_write(string $text, string $symbol, float $factor): void
    {
        $unit = Unit::parse($text);

        self::assertSame($symbol, $unit->symbol);
        self::assertEqualsWithDelta($factor, $unit->factor, $factor * self::ROUNDING);
        // What it writes it reads again.
        self::assertSame($symbol, Unit::parse($symbol)->symbol);
    }

    /** @return iterable<string, array{string, string, string, float}> two units, what their product is called, and its factor to that */
    public static function products(): iterable
    {
        yield 'force' => ['kg', 'm/s^2', 'N', 1.0];
        yield 'energy of a gas' => ['kPa', 'mL', 'mJ', 1.0];
        yield 'amount' => ['mol/L', 'mL', 'mmol', 1.0];
        yield 'mass' => ['mol/L', 'g/mol', 'g/L', 1.0];
        yield 'charge' => ['A', 's', 'C', 1.0];
        yield 'a volume of mixed lengths' => ['mm^2', 'cm', 'mm^3', 10.0];
        yield 'a ratio of like units' => ['mL', '1/L', '', 1e-3];
        yield 'a pair inside a longer product' => ['kPa', 'mL/(mol K)', 'mJ/(mol K)', 1.0];
        yield 'nothing shorter' => ['mL', 's', 'mL s', 1.0];
    }

    #[DataProvider('products')]
    public function test_products_become_what_people_would_write(string $left, string $right, string $symbol, float $factor): void
    {
        $product = Unit::parse($left)->times(Unit::parse($right));

        self::assertSame($symbol, $product->simplified()->symbol);
        self::assertEqualsWithDelta($factor, $product->convert(1.0, $product->simplified()), $factor * self::ROUNDING);
    }

    public function test_there_and_back_changes_nothing_for_any_two_units_of_a_kind(): void
    {
        $kinds = [
            ['mL', 'L', 'm^3', 'mm^3', 'cm3', 'µL'], ['Pa', 'kPa', 'atm', 'bar', 'mmHg', 'Torr', 'psi', 'cmH2O', 'N/m^2'], ['J', 'kJ', 'cal', 'kcal', 'eV', 'kPa L'],
            ['K', '°C', '°F'], ['mol/L', 'mmol/L', 'mol/m^3', 'M'], ['s', 'min', 'h', 'd', 'ms'], ['Hz', 'bpm', 'rpm', '1/s'], ['S', 'mS', '1/Ω'],
        ];
        $chance = new Chance(1);
        foreach ($kinds as $kind) {
            foreach ($kind as $from) {
                foreach ($kind as $to) {
                    $value = $chance->between(0.1, 500.0);
                    $back = Unit::parse($to)->convert(Unit::parse($from)->convert($value, Unit::parse($to)), Unit::parse($from));
                    // A temperature near zero degrees loses the digits that its offset takes.
                    self::assertEqualsWithDelta($value, $back, 1e-12 * $value + 1e-11, "{$from} to {$to}");
                }
            }
        }
    }

    public function test_a_unit_that_is_only_a_name_goes_with_itself_alone(): void
    {
        $counts = Unit::ofHeader('counts');
        self::assertSame('', Unit::ofHeader('')->symbol);
        self::assertTrue(Unit::ofHeader('')->isOne());

        self::assertSame('counts/s', $counts->per(Unit::parse('s'))->symbol);
        self::assertTrue($counts->per(Unit::ofHeader('counts'))->isOne());
        self::assertFalse($counts->measuresTheSameAs(Unit::ofHeader('clicks')));
    }

    public function test_the_difference_of_temperatures_has_a_unit_of_its_own(): void
    {
        self::assertSame('K', Unit::parse('°C')->difference()->symbol);
        self::assertEqualsWithDelta(5.0, Unit::parse('°F')->difference()->convert(9.0, Unit::parse('K')), self::ROUNDING);
        self::assertSame('mL', Unit::parse('mL')->difference()->symbol);
    }

    /** @return iterable<string, array{string, string}> */
    public static function nonsense(): iterable
    {
        yield 'the wrong case' => ['KPA', '"KPA" is not a unit Welkion knows. Did you mean kPa?'];
        yield 'a bracket left open' => ['J/(g K', '"J/(g K" is not a unit Welkion knows. Write it like mL, mol/L, mV or °C.'];
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
