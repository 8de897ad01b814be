<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\FormulaCheck;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class FormulaCheckTest extends TestCase
{
    public function test_the_unit_that_comes_out_is_told_before_anything_is_worked_out(): void
    {
        $check = self::check('q*t');

        self::assertSame([null, 'L', []], [$check->problem, $check->unit?->symbol, $check->notes]);
        self::assertNotNull($check->reads);
        self::assertSame('L', self::check('c0*q*t/c0')->unit?->symbol, 'An entry that is not typed yet has a unit all the same.');
        self::assertSame('L', self::check('top*q')->unit?->symbol, 'A line has that of its result.');
        self::assertSame('L', self::check('each*q')->unit?->symbol, 'One for each run has that of any.');
    }

    public function test_what_is_converted_into_the_unit_of_the_column_is_said(): void
    {
        self::assertSame(['It comes out in mm, and is converted into m.'], self::check('h', Unit::parse('m'))->notes);
        self::assertSame([], self::check('h', Unit::parse('mm'))->notes);
        $check = self::check('h', Unit::parse('mL'));
        self::assertStringContainsString('mL', (string) $check->problem, 'A height in mm is no volume.');
        self::assertSame('mm', $check->unit?->symbol);
    }

    public function test_what_cannot_be_is_told_with_its_place(): void
    {
        self::assertSame([5, null], [self::check('q*t+')->position ?? 5, self::check('q*t+')->reads]);
        $near = self::check('q*tt');
        self::assertStringContainsString('"tt" is not a column', (string) $near->problem);
        self::assertSame(3, $near->position);
        self::assertNotNull($near->reads, 'It is a formula all the same.');
        self::assertSame(1, self::check('h+t')->position === null ? 0 : 1);
    }

    public function test_a_temperature_that_needs_kelvin_is_named(): void
    {
        self::assertSame('T', self::check('h/T')->inKelvin);
        self::assertNull(self::check('h/(T+T)')->inKelvin);
        self::assertNull(self::check('q*tt')->inKelvin);
    }

    public function test_a_column_cannot_rest_on_itself(): void
    {
        self::assertSame('V cannot be worked out from itself.', self::check('V*2', of: 'V')->problem);
        self::assertSame('twice uses V, so V cannot use it.', self::check('q + twice', of: 'V')->problem);
        self::assertNull(self::check('twice', of: 'h')->problem);
        self::assertNull(self::check('twice')->problem);
    }

    public function test_a_line_without_a_result_has_no_unit_yet(): void
    {
        $check = self::check('waits*q');

        self::assertSame([null, null, ['waits has no value yet, so its unit is not known.']], [$check->problem, $check->unit, $check->notes]);
    }

    private static function check(string $formula, ?Unit $into = null, ?string $of = null): FormulaCheck
    {
        return FormulaCheck::of(new WorkedNotebook(Notebooks::of(
            [Notebooks::entry('c0', null, 0.0, 'mol/L'), Notebooks::entry('missing', null)],
            [Notebooks::column('q', 'L/min'), Notebooks::column('t', 'min'), Notebooks::column('h', 'mm'), Notebooks::column('T', 'degC'), Notebooks::column('V', 'L', 'q*t'), Notebooks::column('twice', 'L', '2*V')],
            [
                Notebooks::line('top', 'statistics', ['column' => 't']), Notebooks::line('each', 'statistics', ['column' => 't'], isPerRun: true),
                Notebooks::line('waits', 'formula', formula: 'missing*2'),
            ],
            Notebooks::run(1, ['q' => new ColumnInput('q', Unit::parse('L/min'), [1.0, 2.0]), 't' => new ColumnInput('t', Unit::parse('min'), [3.0, 4.0])]),
        )), $formula, $into, $of);
    }
}
