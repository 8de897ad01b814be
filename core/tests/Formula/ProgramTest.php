<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formula;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Formula\Column;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\PhysicalConstants;
use Welkion\Core\Formula\Program;
use Welkion\Core\Formula\Scope;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Units\Unit;

/** Whole columns through a formula, against the same arithmetic done row by row. */
final class ProgramTest extends TestCase
{
    /** @return iterable<string, array{string, callable(float, float): float}> */
    public static function formulas(): iterable
    {
        yield 'a polynomial' => ['3*x^2 - 2*x*y + y/4', static fn (float $x, float $y): float => 3.0 * $x ** 2 - 2.0 * $x * $y + $y / 4.0];
        yield 'numbers on the left' => ['5 - x + 2/y - 2^x', static fn (float $x, float $y): float => 5.0 - $x + 2.0 / $y - 2.0 ** $x];
        yield 'columns raised to columns' => ['x^y', static fn (float $x, float $y): float => $x ** $y];
        yield 'functions in functions' => ['exp(-sqrt(x))*ln(x + y^2)', static fn (float $x, float $y): float => exp(-sqrt($x)) * log($x + $y ** 2)];
        yield 'parts that return' => ['(x + y)*(x + y) - (x + y)/(x + y)', static fn (float $x, float $y): float => ($x + $y) ** 2 - 1.0];
        yield 'a number for the whole column' => ['x - 0*mean(y) + count(y)', static fn (float $x, float $y): float => $x + 300.0];
    }

    /** @param  callable(float, float): float  $expected */
    #[DataProvider('formulas')]
    public function test_columns_give_what_rows_give(string $text, callable $expected): void
    {
        $chance = new Chance(1);
        $x = array_map(static fn (): float => $chance->between(0.5, 4.0), range(1, 300));
        $y = array_map(static fn (): float => $chance->between(0.5, 4.0), range(1, 300));
        $derived = Formula::parse($text)->derive(Scope::of([new Column('x', Unit::one(), $x), new Column('y', Unit::one(), $y)]));

        foreach ($x as $i => $value) {
            self::assertEqualsWithDelta($expected($value, $y[$i]), $derived->values[$i], 1e-12 * max(1.0, abs($derived->values[$i])));
        }
    }

    public function test_a_value_and_its_slopes_come_from_one_pass(): void
    {
        $formula = Formula::parse('a*exp(-k*x) + c');
        $trees = [$formula->tree, ...array_map(static fn (string $by) => $formula->derivative($by)->tree, ['a', 'k', 'c'])];
        [$value, $byA, $byK, $byC] = (new Program($trees))->run(['a' => 5.0, 'k' => 0.5, 'c' => 1.0, 'x' => [0.0, 2.0, 4.0]]);

        self::assertEqualsWithDelta([6.0, 1.0 + 5.0 * exp(-1.0), 1.0 + 5.0 * exp(-2.0)], $value, 1e-14);
        self::assertEqualsWithDelta([1.0, exp(-1.0), exp(-2.0)], $byA, 1e-14);
        self::assertEqualsWithDelta([0.0, -10.0 * exp(-1.0), -20.0 * exp(-2.0)], $byK, 1e-14);
        // The slope by an added constant rests on no column, so it stays one number.
        self::assertSame(1.0, $byC);
    }

    public function test_columns_of_different_length_are_no_table(): void
    {
        $this->expectException(UnequalLengths::class);
        Scope::of([new Column('x', Unit::one(), [1.0]), new Column('y', Unit::one(), [1.0, 2.0])]);
    }

    public function test_constants_of_nature_carry_units_that_fit_together(): void
    {
        $of = static fn (string $text): array => [($m = Formula::parse($text)->measured([]))->value, $m->unit->symbol];

        // R = N_A k_B and F = N_A q_e hold exactly since 2019; the table keeps ten digits.
        self::assertEqualsWithDelta(1.0, $of('N_A*k_B/R')[0], 1e-9);
        self::assertSame('', $of('N_A*k_B/R')[1]);
        self::assertEqualsWithDelta(1.0, $of('N_A*q_e/F')[0], 1e-9);
        // The molar volume of an ideal gas at 0 °C and one atmosphere, 22.41396954 L/mol (CODATA 2018).
        self::assertEqualsWithDelta(22.41396954, Formula::parse('R*T_0/p_atm')->measured([], into: Unit::parse('L/mol'))->value, 1e-7);
        self::assertCount(11, PhysicalConstants::names());
    }
}
