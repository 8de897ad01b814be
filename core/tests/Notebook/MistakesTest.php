<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Fitting\Methods\Slope;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\Doubts;
use Welkion\Core\Notebook\FigureDrawing;
use Welkion\Core\Notebook\FormulaCheck;
use Welkion\Core\Notebook\Line;
use Welkion\Core\Notebook\Reach;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\Span;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Series\Methods\Constancy;
use Welkion\Core\Straighten\Straightener;
use Welkion\Core\Titration\Methods\Equivalence;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;

/** Mistakes people make when they reason about their numbers: each is made here, and the sentence that catches it is read. */
final class MistakesTest extends TestCase
{
    /** The volume of a vat of 120 mm across and 50 mm deep, by a formula of millimetres, in a column of millilitres. */
    public function test_cubic_millimetres_are_not_taken_for_millilitres(): void
    {
        $in = self::notebook(['r' => ['mm', [60.0]], 'h' => ['mm', [50.0]]], formulas: ['V' => ['pi*r^2*h', 'mL']]);

        self::assertSame(['It comes out in mm^3, and is converted into mL.'], FormulaCheck::of($in, 'pi*r^2*h', Unit::parse('mL'))->notes);
        self::assertEqualsWithDelta(M_PI * 36.0 * 5.0 * 5.0 / 5.0, $in->column('V', 1)->cells->values[0] ?? NAN, 1e-9, 'π · (6 cm)² · 5 cm');
    }

    public function test_a_ratio_of_degrees_is_refused_and_kelvin_offered(): void
    {
        $check = FormulaCheck::of(self::notebook(['V' => ['mL', [50.0]], 'T' => ['degC', [20.0]]]), 'V/T', null);

        self::assertSame(['"T" is in °C, which does not start at zero; a product or a ratio needs kelvin. Convert the column to K first.', 'T'], [preg_replace('/^At character \d+: /', '', (string) $check->problem), $check->inKelvin]);
    }

    public function test_a_name_that_is_none_is_told_with_the_one_that_was_meant(): void
    {
        $check = FormulaCheck::of(self::notebook(['Vol' => ['mL', [50.0]], 'P' => ['kPa', [101.0]]]), 'P*Vo', null);

        self::assertStringContainsString('"Vo"', (string) $check->problem);
        self::assertStringEndsWith('Did you mean "Vol"?', (string) $check->problem);
        self::assertSame(3, $check->position);
    }

    public function test_a_cell_that_is_no_number_is_told_where_it_stands_and_counts_as_nothing(): void
    {
        $run = new Run(1, 1, '', null, null, 'a', static fn (): RunData => new RunData(3, ['m' => new ColumnInput('m', Unit::parse('g'), [2.0, NAN, 4.0])], unreadable: ['m' => [1 => '3 ?']]));
        $worked = new WorkedNotebook(Notebooks::of([], [Notebooks::column('m', 'g')], [Notebooks::line('mean', 'statistics', ['column' => 'm'], isPerRun: true)], $run));

        self::assertSame(['One cell is no number (m, row 2: "3 ?"). Left out here. Put it right in the table, or clear the cell.'], self::sentences($worked->line('mean', 1)->outcome->warnings ?? []));
        self::assertSame(3.0, $worked->line('mean', 1)->result()?->value);
    }

    public function test_what_should_have_stayed_the_same_and_did_not_is_told(): void
    {
        $outcome = (new Constancy)->work(new Inputs(['y' => new ColumnInput('T', Unit::parse('degC'), [21.0, 21.1, 22.8, 22.9])], ['within' => Measured::of(0.5, 0.0, Unit::parse('K'))]));

        self::assertSame(['T did not stay the same. It rose by up to 1.9 °C since the first of 4 readings; 2 readings lie further from it than a fair comparison allows. Wait until it has come back, and take them again.'], self::sentences($outcome->warnings));
    }

    public function test_what_was_set_belongs_along_x(): void
    {
        $doubt = static fn (string $x, string ...$y): ?string => FigureDrawing::fromArray(['x' => $x, 'panels' => [['y' => $y]]])->doubt([
            't' => ColumnKind::Time, 'V' => ColumnKind::Step, 'P' => ColumnKind::Measured,
            'm' => ColumnKind::Typed, 'inv' => ColumnKind::Derived,
        ]);

        self::assertSame('V is what was set from reading to reading, and belongs along x.', $doubt('P', 'V'));
        self::assertSame('V is what was set from reading to reading, and belongs along x.', $doubt('m', 'P', 'V'));
        self::assertSame('t goes on by itself and belongs along x.', $doubt('P', 't'));
        self::assertNull($doubt('V', 'P'));
        self::assertNull($doubt('t', 'V'), 'Of two that are given either may be along x.');
        self::assertNull($doubt('m', 'P'));
        self::assertNull($doubt('inv', 'V'), 'A column by formula is there to make a line straight.');
        self::assertNull($doubt('rate', 'V'), 'Runs beside each other have no column of rows.');
    }

    public function test_a_good_r_squared_that_still_bends_is_told(): void
    {
        $x = array_map(floatval(...), range(1, 12));
        $outcome = (new Slope)->work(new Inputs(['x' => new ColumnInput('t', Unit::parse('s'), $x), 'y' => new ColumnInput('s', Unit::parse('m'), array_map(static fn (float $t): float => $t ** 1.3, $x))]));
        self::assertGreaterThan(0.99, $outcome->goodness?->rSquared);
        self::assertSame('what is left over still bends', $outcome->goodness->verdict());
        self::assertSame(['A straight line leaves a pattern. The points bend: take a shorter span, or another relation.'], self::sentences($outcome->warnings));
        self::assertContains('R² of differently transformed y are not strictly comparable. The ranking compares how well each relation describes y itself.', self::sentences((new Straightener)->straighten($x, $x)->warnings()));
    }

    public function test_a_value_has_no_more_digits_than_its_uncertainty_allows(): void
    {
        self::assertSame(['24.37', '0.06'], [($digits = Digits::of(Measured::of(24.367_812, 0.058_3, Unit::parse('mL'))))->value, $digits->uncertainty]);
    }

    public function test_noise_is_not_read_as_a_jump(): void
    {
        $V = array_map(static fn (int $i): float => 0.5 * $i, range(0, 24));
        $pH = array_map(static fn (float $v): float => 3.0 + 0.01 * $v + 0.02 * sin(17.0 * $v * $v), $V);
        $outcome = (new Equivalence)->work(new Inputs(['x' => new ColumnInput('V', Unit::parse('mL'), $V), 'y' => new ColumnInput('pH', Unit::parse('pH'), $pH)]));

        self::assertStringContainsString('No jump stands out from the noise', implode(' ', [(string) $outcome->needs, ...self::sentences($outcome->warnings)]));
    }

    public function test_trials_of_one_condition_over_different_stretches_are_told(): void
    {
        $line = new Line('r', 'Rate', 'slope', true, ['x' => 't', 'y' => 'm'], span: new Span('t', 0.0, 60.0));
        $doubt = static function (Line $line, float ...$lasts): ?string {
            $runs = [];
            foreach ($lasts as $i => $last) {
                $t = array_map(floatval(...), range(0, (int) abs($last), 10));
                $runs[] = new Run($i + 1, $i + 1, '', $last < 0.0 ? 'half' : 'full', $i + 1, 'a', static fn (): RunData => new RunData(count($t), ['t' => new ColumnInput('t', Unit::parse('s'), $t), 'm' => new ColumnInput('m', Unit::parse('g'), $t)]));
            }

            return (new Reach(new WorkedNotebook(Notebooks::of([], [Notebooks::column('t', 's'), Notebooks::column('m', 'g')], [$line], ...$runs))))->doubt($line);
        };

        self::assertSame('Trial 2 of “full” is worked out over 0 to 40 and not 0 to 60 s. Compare trials over the same stretch: take a span all of them have, or set the run aside.', $doubt($line, 60.0, 40.0, 60.0));
        self::assertNull($doubt($line, 60.0, 70.0, 90.0), 'The span ends all of them.');
        self::assertNull($doubt($line, 60.0, -40.0, 60.0), 'Of another condition it may be another stretch.');
        self::assertNull($doubt(new Line('mean', 'Mean', 'statistics', true, ['column' => 'm']), 60.0, 40.0), 'Along nothing.');
        $whole = new Line('r', 'Rate', 'slope', true, ['x' => 't', 'y' => 'm']);
        self::assertSame('Trial 1 of “full” is worked out over 0 to 60 and not 0 to 90 s; trial 3 of “half” is worked out over 0 to 20 and not 0 to 50 s. Compare trials over the same stretch: take a span all of them have, or set the run aside.', $doubt($whole, 60.0, 90.0, -20.0, -50.0));
        $change = new Line('r', 'Change', 'ends', true, ['x' => 't', 'y' => 'm'], span: new Span('t', 0.0, 60.0));
        self::assertStringStartsWith('Trial 2 of “full” is worked out over 0 to 40 and not 0 to 60 s.', (string) $doubt($change, 60.0, 40.0));
        self::assertNull($doubt(new Line('r', 'Tangent', 'tangent', true, ['x' => 't', 'y' => 'm'], numbers: ['at' => Measured::of(20.0, 0.0, Unit::parse('s'))]), 60.0, 40.0), 'A place is no stretch.');
        self::assertNull($doubt($whole, 200.0, 190.0), 'A reading more or less is no other stretch.');
        $blank = static fn (): RunData => new RunData(3, ['t' => new ColumnInput('t', Unit::parse('s'), [0.0, 10.0, 20.0]), 'm' => new ColumnInput('m', Unit::parse('g'), [0.0, 1.0, NAN])]);
        $full = static fn (): RunData => new RunData(3, ['t' => new ColumnInput('t', Unit::parse('s'), [0.0, 10.0, 20.0]), 'm' => new ColumnInput('m', Unit::parse('g'), [0.0, 1.0, 2.0])]);
        $worked = new WorkedNotebook(Notebooks::of([], [Notebooks::column('t', 's'), Notebooks::column('m', 'g')], [$whole], new Run(1, 1, '', 'full', 1, 'a', $full), new Run(2, 2, '', 'full', null, 'b', $blank)));
        self::assertStringStartsWith('Trial 2 of “full” is worked out over 0 to 10 and not 0 to 20 s.', (string) (new Reach($worked))->doubt($whole), 'Where m is blank no row counts.');
        self::assertNull($doubt(new Line('r', 'Rate', 'slope', false, ['x' => 't', 'y' => 'm']), 60.0, 40.0), 'One line over all runs compares none.');
    }

    /** The water warms, cools a little at the end: it ends at 26.0 and was 27.5 at most. */
    public function test_the_largest_and_the_smallest_temperature_are_not_its_end_and_start(): void
    {
        $in = self::notebook(['T' => ['degC', [20.5, 20.1, 24.0, 27.5, 26.0]]], [
            Notebooks::line('stat', 'statistics', ['column' => 'T'], isPerRun: true), Notebooks::line('dT', 'formula', formula: 'stat.max - stat.min', isPerRun: true),
            Notebooks::line('mean', 'formula', formula: 'stat.max - stat', isPerRun: true),
        ]);

        self::assertSame(['The largest less the smallest T is not its end less its start. They differ by 7.4 K, end and start by 5.5 K. If a change is meant, use “Start, end and change”.'], self::doubts($in, 'dT'));
        self::assertSame([], self::doubts($in, 'mean'));
        $rising = self::notebook(['T' => ['degC', [20.1, 24.0, 27.5]]], [Notebooks::line('stat', 'statistics', ['column' => 'T'], isPerRun: true), Notebooks::line('dT', 'formula', formula: 'stat.min - stat.max', isPerRun: true)]);
        self::assertSame([], self::doubts($rising, 'dT'), 'Here they are.');
        self::assertSame(['The largest less the smallest T need not be its end less its start; if a change is meant, use the line “Start, end and change”.'], FormulaCheck::of($in, '2*(max(T) - min(T))', null)->notes);
        self::assertSame([], FormulaCheck::of($in, 'max(T) - mean(T)', null)->notes);
    }

    public function test_a_result_that_is_typed_in_rounded_is_told(): void
    {
        $lines = static fn (string $formula): array => [Notebooks::line('n', 'statistics', ['column' => 'm'], isPerRun: true), Notebooks::line('all', 'formula', formula: $formula, isPerRun: true)];
        $in = static fn (string $formula, float $entry = 1.0): WorkedNotebook => self::notebook(['m' => ['g', [1.2341, 1.2348]]], $lines($formula), entry: $entry);

        self::assertSame(['1.234 is the result of ①, rounded. Use its symbol n instead: then all its digits count, its ± too, and it follows when something changes.'], self::doubts($in('2*1.234 [g]'), 'all'));
        self::assertSame(['1.23 is the result of ①, rounded. Use its symbol n instead: then all its digits count, its ± too, and it follows when something changes.'], self::doubts($in('2*c', 1.23), 'all'), 'Typed as an entry it is the same.');
        $small = self::notebook(['m' => ['g', [1.0002e-5, 1.0002e-5]]], $lines('2*1.00e-5 [g]'));
        self::assertSame([], self::doubts($small, 'all'), 'One digit may be any number.');
        $small = self::notebook(['m' => ['g', [1.2341e-5, 1.2341e-5]]], $lines('2*1.234e-5 [g]'));
        self::assertStringStartsWith('1.234e-5 is the result of ①, rounded.', implode('', self::doubts($small, 'all')));
        self::assertSame([], self::doubts($in('2*1.2 [g]'), 'all'), 'Two digits may be any number.');
        self::assertSame([], self::doubts($in('2*1.24 [g]'), 'all'), 'It is rounded to 1.23.');
        self::assertSame([], self::doubts($in('2*n'), 'all'));
        self::assertSame([], self::doubts(self::notebook(['m' => ['g', [1.25, 1.25]]], $lines('2*1.25 [g]')), 'all'), 'All its digits are there.');
        self::assertSame([], self::doubts($in('2*'), 'all'), 'What is no formula has another problem.');
        $watches = static fn (WorkedNotebook $in, string $line): bool => (new Doubts($in))->watchesOthers($in->notebook->lines[$line], 1);
        self::assertSame([true, true, false, false, false], [$watches($in('2*1.24 [g]'), 'all'), $watches($in('2*c', 1.24), 'all'), $watches($in('2*1.2 [g]'), 'all'), $watches($in('2*'), 'all'), $watches($in('2*1.24 [g]'), 'n')]);
    }

    /**
     * @param  array<string, array{string, list<float>}>  $columns  unit and values by symbol
     * @param  list<Line>  $lines
     * @param  array<string, array{string, string}>  $formulas  formula and unit by symbol
     */
    private static function notebook(array $columns, array $lines = [], array $formulas = [], float $entry = 1.0): WorkedNotebook
    {
        $made = [];
        $rows = [];
        foreach ($columns as $symbol => [$unit, $values]) {
            $made[] = Notebooks::column($symbol, $unit);
            $rows[$symbol] = new ColumnInput($symbol, Unit::parse($unit), $values);
        }
        foreach ($formulas as $symbol => [$formula, $unit]) {
            $made[] = Notebooks::column($symbol, $unit, $formula);
        }

        return new WorkedNotebook(Notebooks::of([Notebooks::entry('c', $entry)], $made, $lines, Notebooks::run(1, $rows)));
    }

    /** @return list<string> */
    private static function doubts(WorkedNotebook $in, string $line): array
    {
        return self::sentences((new Doubts($in))->of($in->notebook->lines[$line], 1));
    }

    /**
     * @param  list<Warning>  $warnings
     * @return list<string>
     */
    private static function sentences(array $warnings): array
    {
        return array_map(static fn (Warning $w): string => $w->sentence(), $warnings);
    }
}
