<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formula;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Formula\Column;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Formula\RowFunctions;
use Welkion\Core\Formula\Scope;
use Welkion\Core\Formula\Tree;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

final class FormulaTest extends TestCase
{
    /** A few operations on doubles. */
    private const ROUNDING = 1e-12;

    /** @return iterable<string, array{string, float}> worked out by hand */
    public static function arithmetic(): iterable
    {
        yield 'products before sums' => ['2 + 3*4', 14.0];
        yield 'from the left' => ['20 - 5 - 3', 12.0];
        yield 'division from the left' => ['24/4/3', 2.0];
        yield 'powers before a minus sign' => ['-3^2', -9.0];
        yield 'powers from the right' => ['2^3^2', 512.0];
        yield 'a minus sign in an exponent' => ['2^-3', 0.125];
        yield 'a minus sign after a sign' => ['6*-2', -12.0];
        yield 'minus before a product' => ['-2*3 + 10', 4.0];
        yield 'brackets' => ['(2 + 3)*4', 20.0];
        yield 'exponents of ten' => ['1.5e3 + 2E-1 + .5', 1500.7];
        yield 'signs as they are pasted' => ['6 ÷ 2 × 3 − 1·1', 8.0];
        yield 'raised digits' => ['3² + 2⁻¹', 9.5];
        yield 'functions' => ['sqrt(16) + ln(exp(2)) + log10(1000) + abs(-1)', 10.0];
        yield 'angles in radians' => ['sin(pi/6) + cos(0) + tan(0)', 1.5];
        yield 'angles in degrees' => ['sin(30 [deg]) + cos(60 [°])', 1.0];
        yield 'inverse functions of angles' => ['arctan(1) + arcsin(1) + arccos(1)', 0.75 * M_PI];
        yield 'a constant of nature' => ['R*298.15 [K]/(8.314462618 [J/(mol K)]*298.15 [K])', 1.0];
    }

    #[DataProvider('arithmetic')]
    public function test_follows_the_rules_of_arithmetic(string $text, float $expected): void
    {
        $result = Formula::parse($text)->measured([]);

        self::assertEqualsWithDelta($expected, $result->value, abs($expected) * self::ROUNDING);
        self::assertSame('', $result->unit->symbol);
    }

    /** @return iterable<string, array{string, int, string}> formula, position, sentence */
    public static function mistakes(): iterable
    {
        yield 'nothing' => ['  ', 1, 'the formula is empty. Write one like V/T.'];
        yield 'a bracket not closed' => ['P*(V + 2', 3, 'the bracket opened here is never closed.'];
        yield 'a bracket not opened' => ['P*V)', 4, 'this bracket closes none that was opened.'];
        yield 'a product without its sign' => ['2V', 2, 'an operation is missing before "V". Multiplication is written with *.'];
        yield 'nothing after a sign' => ['P*', 3, 'a number or a name is missing after "*".'];
        yield 'two signs' => ['P*/V', 3, 'a number or a name is missing after "*".'];
        yield 'a name that is not there' => ['P*Vol', 3, '"Vol" is not a column, an entry or a constant here.'];
        yield 'a name with a slip' => ['P*temq', 3, '"temq" is not a column, an entry or a constant here. Did you mean "temp"?'];
        yield 'a name in the wrong case' => ['p*V', 1, '"p" is not a column, an entry or a constant here. Did you mean "P"?'];
        yield 'a function that is not there' => ['sqr(V)', 1, '"sqr" is not a function. Did you mean "sqrt"?'];
        yield 'a logarithm of two meanings' => ['log(V)', 1, '"log" could mean two things: write ln or log10.'];
        yield 'a function without brackets' => ['2*mean', 3, '"mean" is a function: write mean( ) with something in its brackets.'];
        yield 'too many arguments' => ['sqrt(V, P)', 1, 'sqrt takes 1, but 2 are given: write sqrt(y).'];
        yield 'too few arguments' => ['area(V)', 1, 'area takes 2, but 1 is given: write area(y, x).'];
        yield 'a strange character' => ['V # P', 3, '"#" cannot stand in a formula.'];
        yield 'a strange character after letters of many bytes' => ['µ*#', 3, '"#" cannot stand in a formula.'];
        yield 'an unknown unit' => ['V + 3 [mll]', 7, '"mll" is not a unit Welkion knows. Did you mean mol?'];
        yield 'adding what does not add' => ['V + P', 3, 'a value in kPa cannot be added to a value in mL: they measure different things.'];
        yield 'a plain number added to a volume' => ['V - 3', 3, 'a plain number cannot be subtracted from a value in mL: they measure different things.'];
        yield 'a ratio in degrees' => ['V/temp', 3, '"temp" is in °C, which does not start at zero; a product or a ratio needs kelvin. Convert the column to K first.'];
        yield 'the sum of two temperatures' => ['temp + temp', 6, 'two temperatures in °C cannot be added; only a difference in K can be added to one.'];
        yield 'an exponent with a unit' => ['2^V', 3, 'An exponent must be a plain number, but this is in mL. Divide it by a value in mL.'];
        yield 'a changing power of a volume' => ['V^n', 3, 'a value in mL can only be raised to a number that is written out, such as 2 or 0.5.'];
        yield 'the exponential of a volume' => ['exp(V)', 5, 'What stands in exp( ) must be a plain number, but this is in mL. Divide it by a value in mL.'];
        yield 'a sign before a temperature' => ['-temp', 2, '"temp" is in °C, which does not start at zero; a product or a ratio needs kelvin. Convert the column to K first.'];
        yield 'an area under a temperature' => ['area(temp, t)', 6, '"temp" is in °C, which does not start at zero; a product or a ratio needs kelvin. Convert the column to K first.'];
        yield 'a temperature taken from a volume' => ['V - temp', 3, 'a value in °C cannot be subtracted from a value in mL: they measure different things.'];
        yield 'a bracket closed after a sign' => ['(P*)', 4, 'a number or a name is missing after "*".'];
        yield 'a beginning that is none' => ['*P', 1, 'a formula cannot begin with "*".'];
        yield 'a bracket to begin with' => [')P', 1, 'this bracket closes none that was opened.'];
        yield 'half a row' => ['shift(V, 0.5)', 10, 'write the rows as a whole number: shift(y, 1).'];
    }

    #[DataProvider('mistakes')]
    public function test_says_what_is_wrong_and_where(string $text, int $position, string $sentence): void
    {
        try {
            Formula::parse($text)->derive(self::table());
            self::fail('The formula was accepted.');
        } catch (FormulaError $error) {
            self::assertSame("At character {$position}: {$sentence}", $error->getMessage());
            self::assertSame($position, $error->position);
        }
    }

    public function test_deep_nesting_and_broken_text_are_refused_not_fatal(): void
    {
        foreach ([str_repeat('(', 5000).'1'.str_repeat(')', 5000) => 201, str_repeat('-', 5000).'1' => 201, "V\xC3" => 1] as $text => $position) {
            try {
                Formula::parse($text);
                self::fail('Accepted.');
            } catch (FormulaError $error) {
                self::assertMatchesRegularExpression('/nested too deeply|not readable/', $error->getMessage());
                self::assertSame($position, $error->position);
            }
        }
    }

    /** @return iterable<string, array{string, string, list<float|null>}> formula, unit, values; null for no result */
    public static function columns(): iterable
    {
        yield 'a product in a unit people use' => ['P*V', 'mJ', [1000.0, 1030.0, null, 400.0]];
        yield 'an amount of gas' => ['P*V/(R*(temp - 0 [°C]))*1 [K]/(1 [K])', 'mmol', [null, null, null, null]];
        yield 'units of one kind meet' => ['V + 500 [mm^3]', 'mL', [10.5, 10.5, 8.5, 4.5]];
        yield 'a difference of temperatures is in kelvin' => ['temp - 20 [°C]', 'K', [0.0, 5.0, 10.0, 20.0]];
        yield 'a difference added to a temperature' => ['temp + 2 [K]', '°C', [22.0, 27.0, 32.0, 42.0]];
        yield 'per cent are a plain number' => ['50 [%]*V', 'mL', [5.0, 5.0, 4.0, 2.0]];
        yield 'a ratio of like units' => ['V/(5 [L])', '', [0.002, 0.002, 0.0016, 0.0008]];
        yield 'mean of a column, blanks passed over' => ['P - mean(P)', 'kPa', [-1.0, 2.0, null, -1.0]];
        yield 'count, smallest and largest' => ['count(P) + max(n)/min(n)', '', [7.0, 7.0, 7.0, 7.0]];
        yield 'change from row to row, over a blank' => ['difference(P)', 'kPa', [null, 3.0, null, -3.0]];
        yield 'derivative by another column' => ['derivative(temp, t)', 'K/s', [5.0, 5.0, 5.0, 5.0]];
        yield 'second derivative of a parabola' => ['second_derivative(t^2, t)', '', [2.0, 2.0, 2.0, 2.0]];
        yield 'area so far' => ['area(V, t)', 'mL s', [0.0, 10.0, 19.0, 31.0]];
        yield 'a row earlier' => ['shift(V, 1)', 'mL', [null, 10.0, 10.0, 8.0]];
        yield 'a row earlier, by a sum' => ['shift(V, 3 - 2)', 'mL', [null, 10.0, 10.0, 8.0]];
        yield 'a row later' => ['shift(V, -1)', 'mL', [10.0, 8.0, 4.0, null]];
        yield 'derivative over a blank' => ['derivative(P, t)', 'kPa/s', [4.0, 2.0, null, -4.0]];
        yield 'derivative by a column with a blank' => ['derivative(t, P)', 's/kPa', [null, null, null, null]];
        yield 'running mean of three' => ['running_mean(n, 3)', '', [1.5, 2.0, 3.0, 3.5]];
        yield 'logarithm of negative numbers' => ['ln(n - 2)', '', [null, null, 0.0, M_LN2]];
        yield 'division by zero' => ['1/(n - 2)', '', [-1.0, null, 1.0, 0.5]];
    }

    /** @param  list<float|null>  $expected */
    #[DataProvider('columns')]
    public function test_derives_a_column_with_its_unit(string $text, string $unit, array $expected): void
    {
        if ($unit === 'mmol') {
            // n = pV/RT by hand: 100 kPa, 10 mL and 20 °C make 1 J / (8.3145 J/(mol K) 20 K).
            $expected = [1000.0 / 8.314462618 / 20.0, 1030.0 / 8.314462618 / 25.0, null, 400.0 / 8.314462618 / 40.0];
        }
        $column = Formula::parse($text)->derive(self::table());

        self::assertSame($unit, $column->unit->symbol);
        foreach ($expected as $row => $value) {
            $value === null
                ? self::assertNan($column->values[$row], "Row {$row}")
                : self::assertEqualsWithDelta($value, $column->values[$row], 1e-9, "Row {$row}");
        }
    }

    public function test_blank_cells_and_impossible_results_are_counted_apart(): void
    {
        $column = Formula::parse('P/(n - 2)')->derive(self::table());

        self::assertSame(1, $column->missing);
        self::assertSame([2], $column->undefined);
        self::assertSame(['ln takes the number of its argument in kPa.'], Formula::parse('ln(P)')->derive(self::table())->notes);
    }

    public function test_a_result_can_be_had_in_a_unit_of_its_kind_only(): void
    {
        self::assertEqualsWithDelta(1.0, Formula::parse('P*V')->derive(self::table(), Unit::parse('J'))->values[0], self::ROUNDING);
        $this->expectException(UnitMismatch::class);
        Formula::parse('P*V')->derive(self::table(), Unit::parse('s'));
    }

    public function test_a_column_comes_before_a_constant_of_the_same_name(): void
    {
        $scope = Scope::of([new Column('R', Unit::parse('Ω'), [5.0])]);

        self::assertSame([10.0], Formula::parse('2*R')->derive($scope)->values);
    }

    public function test_renaming_leaves_everything_else_as_typed(): void
    {
        $renamed = Formula::parse('  P * V/ (PP+ P)  - exp(P)')->renamed('P', 'pressure');

        self::assertSame('  pressure * V/ (PP+ pressure)  - exp(pressure)', $renamed->text);
        self::assertSame(['pressure', 'V', 'PP'], $renamed->symbols());
    }

    /** @return iterable<string, array{string}> */
    public static function differentiable(): iterable
    {
        foreach ([
            'a*x^3 - b*x + 2', 'a/(b + x)', 'exp(-a*x)*b', 'x^a', 'a^x', 'ln(a*x + b)', 'log10(x)*a', 'sqrt(x^2 + a^2)', 'sin(a*x)*cos(b*x)',
            'tan(x/5)', 'arctan(a*x)', 'arcsin(x/9)', 'arccos(x/9)', 'abs(x - a)', 'a*exp(-0.5*((x - b)/2)^2)', '(a + b*x)/(1 + a*x + x^2)',
            '-x^2/a', '1/(1 + exp(-a*(x - b)))', 'a*(b*(x*2))', '(x - a)/(x + b)/(x*a)', 'x^-2 + x^0.5', '(x^2)^a',
        ] as $text) {
            yield $text => [$text];
        }
    }

    #[DataProvider('differentiable')]
    public function test_derivatives_agree_with_finite_differences(string $text): void
    {
        $formula = Formula::parse($text);
        $random = new Chance(crc32($text));
        foreach ($formula->symbols() as $by) {
            $derivative = $formula->derivative($by);
            for ($i = 0; $i < 20; $i++) {
                $at = ['a' => $random->between(0.5, 2.5), 'b' => $random->between(0.5, 2.5), 'x' => $random->between(2.6, 7.0)];
                $step = 1e-5;
                $up = self::value($formula, [...$at, $by => $at[$by] + $step]);
                $down = self::value($formula, [...$at, $by => $at[$by] - $step]);
                $exact = self::value($derivative, $at);

                // A central difference errs by step squared times the third derivative, and by rounding over step.
                self::assertEqualsWithDelta(($up - $down) / (2.0 * $step), $exact, 2e-6 * max(1.0, abs($exact)), "d/d{$by} at ".json_encode($at));
            }
        }
    }

    #[DataProvider('differentiable')]
    public function test_a_derivative_written_out_reads_back_the_same(string $text): void
    {
        $at = ['a' => 1.3, 'b' => 0.7, 'x' => 3.1];
        foreach (Formula::parse($text)->symbols() as $by) {
            $derivative = Formula::parse($text)->derivative($by);

            self::assertEqualsWithDelta(self::value($derivative, $at), self::value(Formula::parse($derivative->text), $at), 1e-12 * abs(self::value($derivative, $at)));
        }
    }

    public function test_what_looks_at_a_whole_column_has_no_derivative(): void
    {
        $this->expectException(FormulaError::class);
        $this->expectExceptionMessage('At character 3: mean looks at more than one row, so it cannot be differentiated for a fit or an uncertainty.');

        Formula::parse('2*mean(x)')->derivative('x');
    }

    public function test_uncertainty_is_carried_through_with_correlations(): void
    {
        $entries = ['a' => Measured::of(10.0, 0.3, Unit::parse('mL')), 'b' => Measured::of(4.0, 0.4, Unit::parse('mL'))];
        $apart = Formula::parse('a - b')->measured($entries);
        [$a, $b] = Measured::jointly([10.0, 4.0], [[0.09, 0.12], [0.12, 0.16]], [Unit::parse('mL'), Unit::parse('mL')]);
        $together = Formula::parse('a - b')->measured(['a' => $a, 'b' => $b]);

        self::assertEqualsWithDelta(0.5, $apart->uncertainty, self::ROUNDING);
        // Fully correlated, a difference keeps only the difference of the uncertainties: sqrt(0.09 + 0.16 - 2 0.12).
        self::assertEqualsWithDelta(0.1, $together->uncertainty, 1e-9);
        self::assertEqualsWithDelta(0.5 / 6.0, Formula::parse('ln(a - b)')->measured($entries)->uncertainty, self::ROUNDING);
        self::assertEqualsWithDelta(0.0, Formula::parse('a/a')->measured($entries)->uncertainty, self::ROUNDING);
    }

    private static function table(): Scope
    {
        return Scope::of([
            new Column('P', Unit::parse('kPa'), [100.0, 103.0, NAN, 100.0]),
            new Column('V', Unit::parse('mL'), [10.0, 10.0, 8.0, 4.0]),
            new Column('temp', Unit::parse('°C'), [20.0, 25.0, 30.0, 40.0]),
            new Column('t', Unit::parse('s'), [0.0, 1.0, 2.0, 4.0]),
            new Column('n', Unit::one(), [1.0, 2.0, 3.0, 4.0]),
        ]);
    }

    /** @param  array<string, float>  $at */
    private static function value(Formula $formula, array $at): float
    {
        return $formula->measured(array_map(static fn (float $v): Measured => Measured::of($v, 0.0, Unit::one()), $at))->value;
    }

    public function test_names_are_known_if_they_are_listed_or_constants_of_nature(): void
    {
        Formula::parse('P*V/(R*T)')->requireKnown(['P', 'V', 'T']);
        try {
            Formula::parse('P*Vol')->requireKnown(['P', 'Volt']);
            self::fail();
        } catch (FormulaError $error) {
            self::assertSame(3, $error->position);
            self::assertStringContainsString('"Vol"', $error->getMessage());
            self::assertStringContainsString('Volt', $error->getMessage());
        }
    }

    public function test_a_row_rests_on_its_neighbours_where_a_function_does_somewhere(): void
    {
        $around = static fn (string $text): bool => Tree::looksAround(Formula::parse($text)->tree);
        foreach (['derivative(pH, V)', '-derivative(pH, V)', '2 + derivative(pH, V)', 'abs(derivative(pH, V))', 'max(derivative(pH, V))'] as $text) {
            self::assertTrue($around($text), $text);
        }
        foreach (['pH + V', 'abs(pH)', 'mean(pH)', 'pH - mean(pH)', 'mean(abs(pH))', '2'] as $text) {
            self::assertFalse($around($text), $text);
        }
    }

    public function test_an_area_goes_over_a_blank_cell_in_either_column(): void
    {
        self::assertEqualsWithDelta([0.0, 2.0, 8.0], array_values(array_filter(RowFunctions::area([1.0, 3.0, NAN, 3.0, 9.0], [0.0, 1.0, 2.0, 3.0, NAN]), is_finite(...))), 1e-12);
        self::assertCount(5, RowFunctions::area([1.0, 3.0, NAN, 3.0, 9.0], [0.0, 1.0, 2.0, 3.0, NAN]));
    }

    public function test_brackets_go_two_hundred_deep(): void
    {
        $deep = static fn (int $brackets): string => str_repeat('(', $brackets).'1'.str_repeat(')', $brackets);

        Formula::parse($deep(199));
        $this->expectException(FormulaError::class);
        Formula::parse($deep(201));
    }

    public function test_two_cells_are_enough_for_a_standard_deviation_and_one_is_not(): void
    {
        $sd = static fn (float ...$cells): float => Formula::parse('sd(x)')->derive(Scope::of([new Column('x', Unit::parse('s'), array_values($cells))]))->values[0];

        self::assertEqualsWithDelta(sqrt(2.0), $sd(3.0, 5.0), 1e-12);
        self::assertNan($sd(3.0, NAN));
    }

    public function test_of_nothing_the_count_and_the_sum_are_0_and_the_rest_is_blank(): void
    {
        $of = static fn (string $function): float => Formula::parse("{$function}(x)")->derive(Scope::of([new Column('x', Unit::parse('s'), [NAN, NAN])]))->values[0];

        self::assertSame([0.0, 0.0], [$of('count'), $of('sum')]);
        foreach (['mean', 'min', 'max', 'sd'] as $function) {
            self::assertNan($of($function), $function);
        }
    }
}
