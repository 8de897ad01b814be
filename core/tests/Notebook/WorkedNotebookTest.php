<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\Column;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\Line;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\Results;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunsTable;
use Welkion\Core\Notebook\Span;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Outcome;

final class WorkedNotebookTest extends TestCase
{
    public function test_entries_columns_and_lines_share_one_set_of_symbols(): void
    {
        $worked = new WorkedNotebook(Notebooks::of(
            [Notebooks::entry('m0', 10.0, 0.1, 'g')],
            [Notebooks::column('m', 'g'), Notebooks::column('lost', 'mg', 'm0 - m + start')],
            [Notebooks::line('start', 'formula', formula: '2*m0'), Notebooks::line('avg', 'statistics', ['column' => 'lost'], isPerRun: true), Notebooks::line('half', 'formula', formula: 'avg/2', isPerRun: true)],
            Notebooks::run(1, ['m' => new ColumnInput('m', Unit::parse('g'), [9.0, 8.0])]),
        ));

        self::assertEqualsWithDelta([21000.0, 22000.0], $worked->column('lost', 1)->cells?->values, 1e-9);
        self::assertEqualsWithDelta(10750.0, $worked->line('half', 1)->result()?->inUnit('mg')->value, 1e-9);
        self::assertEqualsWithDelta(500.0, $worked->line('avg', 1)->value('avg.standardError')?->inUnit('mg')->value, 1e-9);
        // m0 moves every row alike: 3 m0 - m, so that its ± is not made smaller by taking the mean.
        self::assertEqualsWithDelta(300.0, self::shares($worked->line('avg', 1)->result())['Entry m0'], 1e-6);
    }

    public function test_a_quantity_less_itself_is_nothing_and_a_common_factor_leaves_a_ratio(): void
    {
        $worked = new WorkedNotebook(Notebooks::of(
            [Notebooks::entry('V', 12.3, 0.4, 'mL'), Notebooks::entry('f', 3.0, 0.3), Notebooks::entry('a', 2.0, 0.02), Notebooks::entry('b', 5.0)],
            lines: [
                Notebooks::line('W', 'formula', formula: 'V'), Notebooks::line('none', 'formula', formula: 'V - W'),
                Notebooks::line('A', 'formula', formula: 'a*f'), Notebooks::line('B', 'formula', formula: 'b*f'), Notebooks::line('ratio', 'formula', formula: 'A/B'),
            ],
        ));

        self::assertSame([0.0, 0.0], [$worked->line('none')->result()?->value, $worked->line('none')->result()?->uncertainty]);
        self::assertEqualsWithDelta(0.4, $worked->line('ratio')->result()?->value, 1e-12);
        self::assertEqualsWithDelta(0.4 * 0.01, $worked->line('ratio')->result()?->uncertainty, 1e-12, 'Only a is left.');
    }

    public function test_a_predicted_y_has_the_uncertainty_of_the_covariance_formula(): void
    {
        $x = [0.0, 1.0, 2.0, 3.0, 4.0, 5.0];
        $y = [1.1, 2.9, 5.2, 6.8, 9.1, 10.9];
        $worked = new WorkedNotebook(Notebooks::of([Notebooks::entry('x0', 7.0)], [Notebooks::column('x'), Notebooks::column('y')], [
            Notebooks::line('s', 'slope', ['x' => 'x', 'y' => 'y'], isPerRun: true), Notebooks::line('y0', 'formula', formula: 's.intercept + s*x0', isPerRun: true),
        ], Notebooks::run(1, ['x' => $x, 'y' => $y])));

        // s² (1/n + (x0 - mean x)²/Sxx), Draper and Smith 1.4.
        $mean = 2.5;
        $sxx = 17.5;
        $slope = $worked->line('s', 1)->result();
        $intercept = $worked->line('s', 1)->value('s.intercept');
        self::assertNotNull($slope);
        self::assertNotNull($intercept);
        $rest = array_sum(array_map(static fn (float $a, float $b): float => ($b - $intercept->value - $slope->value * $a) ** 2, $x, $y)) / 4.0;
        self::assertEqualsWithDelta(sqrt($rest * (1.0 / 6.0 + (7.0 - $mean) ** 2 / $sxx)), $worked->line('y0', 1)->result()?->uncertainty, 1e-12);
    }

    public function test_what_a_calibration_does_to_every_row_is_not_averaged_away(): void
    {
        $offset = Source::named('calibration 7', 'calibration of the thermometer');
        $cells = static fn (array $values): ColumnInput => new ColumnInput('T', Unit::parse('°C'), $values, array_fill(0, count($values), 0.05), [[$offset, array_fill(0, count($values), 0.3)]]);
        $worked = new WorkedNotebook(Notebooks::of([], [Notebooks::column('T', '°C')], [
            Notebooks::line('warm', 'statistics', ['column' => 'T'], isPerRun: true), Notebooks::line('all', 'statistics', ['column' => 'T']),
        ], Notebooks::run(1, ['T' => $cells([20.0, 20.2, 20.1])]), Notebooks::run(2, ['T' => $cells([30.0, 30.2])])));

        $mean = $worked->line('warm', 1)->result();
        self::assertEqualsWithDelta(0.3, self::shares($mean)['calibration of the thermometer'], 1e-9);
        self::assertEqualsWithDelta(hypot(0.3, 0.1 / sqrt(3.0)), $mean?->uncertainty, 1e-9);
        // The same calibration in both runs: their difference does not contain it.
        $other = $worked->line('warm', 2)->result();
        self::assertNotNull($other);
        self::assertEqualsWithDelta(hypot(0.1 / sqrt(3.0), 0.1), $mean?->minus($other)->uncertainty, 1e-9);
        self::assertSame(5.0, $worked->line('all')->value('all.n')?->value);
        self::assertEqualsWithDelta(0.3, self::shares($worked->line('all')->result())['calibration of the thermometer'], 1e-9);
    }

    public function test_scatter_of_rows_goes_through_formulas_of_columns(): void
    {
        $worked = new WorkedNotebook(Notebooks::of([Notebooks::entry('k', 2.0, 0.1)], [
            Notebooks::column('x'), Notebooks::column('y', '', 'k*x^2'), Notebooks::column('d', '', 'difference(x)'),
        ], [], Notebooks::run(1, ['x' => new ColumnInput('x', Unit::one(), [3.0, NAN, 5.0], [0.1, 0.1, 0.2])])));

        $y = $worked->column('y', 1)->cells;
        self::assertEqualsWithDelta([18.0, 50.0], [$y?->values[0], $y?->values[2]], 1e-12);
        self::assertEqualsWithDelta([2.0 * 2.0 * 3.0 * 0.1, 2.0 * 2.0 * 5.0 * 0.2], [$y?->scatter[0], $y?->scatter[2]], 1e-12);
        self::assertEqualsWithDelta([0.9, 2.5], [$y?->common[0][1][0], $y?->common[0][1][2]], 1e-9, 'k moves each row by 0.1 x².');
        self::assertNull($worked->column('d', 1)->cells?->scatter, 'Neighbours share what scatters.');
        self::assertNan($y?->values[1]);
    }

    public function test_what_is_set_aside_or_blank_or_outside_of_the_span_is_not_used(): void
    {
        $notebook = static fn (?Span $span): Notebook => Notebooks::of([], [Notebooks::column('t'), Notebooks::column('v'), Notebooks::column('dv', '', 'v - mean(v)')], [
            new Line('m', 'Mean', 'statistics', true, ['column' => 'v'], span: $span), new Line('d', 'Mean', 'statistics', true, ['column' => 'dv'], span: $span),
        ], Notebooks::run(1, ['t' => [0.0, 1.0, 2.0, 3.0, 4.0], 'v' => [1.0, 3.0, 100.0, NAN, 8.0]], [2 => 'a slip']));
        $worked = new WorkedNotebook($notebook(null));

        self::assertSame([3.0, 4.0], [$worked->line('m', 1)->value('m.n')?->value, $worked->line('m', 1)->result()?->value]);
        self::assertEqualsWithDelta(0.0, $worked->line('d', 1)->result()?->value, 1e-12, 'The mean in the formula leaves it out too.');
        self::assertSame(2.0, (new WorkedNotebook($notebook(new Span('t', 0.0, 1.0))))->line('m', 1)->result()?->value);
    }

    public function test_a_span_lies_in_a_run_where_that_has_ends_of_its_own(): void
    {
        $notebook = static fn (Span $span): WorkedNotebook => new WorkedNotebook(Notebooks::of([], [Notebooks::column('t'), Notebooks::column('v')], [
            new Line('m', 'Mean', 'statistics', true, ['column' => 'v'], span: $span), new Line('all', 'Mean', 'statistics', false, ['column' => 'v'], span: $span),
        ], ...array_map(static fn (int $id): Run => Notebooks::run($id, ['t' => [0.0, 1.0, 2.0, 3.0], 'v' => [1.0, 3.0, 5.0, 9.0]]), [1, 2])));
        $shared = $notebook(new Span('t', 0.0, 1.0));
        $own = $notebook(new Span('t', 0.0, 1.0, '', [2 => [2.0, 3.0]]));

        self::assertSame([2.0, 2.0], [$shared->line('m', 1)->result()?->value, $shared->line('m', 2)->result()?->value]);
        self::assertSame([2.0, 7.0], [$own->line('m', 1)->result()?->value, $own->line('m', 2)->result()?->value]);
        self::assertSame([2.0, 4.5], [$shared->line('all')->result()?->value, $own->line('all')->result()?->value], 'All together, each where it lies.');
        self::assertSame($shared->keyOfLine('m', 1), $own->keyOfLine('m', 1), 'What the others have come to stays.');
        self::assertNotSame($shared->keyOfLine('m', 2), $own->keyOfLine('m', 2));
        self::assertNotSame($shared->keyOfLine('all', null), $own->keyOfLine('all', null));
    }

    public function test_a_mistake_is_told_with_its_place_and_spoils_nothing_else(): void
    {
        $worked = new WorkedNotebook(Notebooks::of([Notebooks::entry('V', 25.0, 0.0, 'mL'), Notebooks::entry('T', 20.0, 0.0, '°C'), Notebooks::entry('c', null, 0.0, 'mol/L')], [Notebooks::column('x'), Notebooks::column('bad', '', 'x +')], [
            Notebooks::line('typo', 'formula', formula: 'V * Tt'), Notebooks::line('mixed', 'formula', formula: 'V + T'),
            Notebooks::line('ratio', 'formula', formula: 'V/T'), Notebooks::line('round', 'formula', formula: '2*trip'), Notebooks::line('trip', 'formula', formula: 'round - 1'),
            Notebooks::line('waits', 'formula', formula: 'c*V'), Notebooks::line('also', 'formula', formula: 'waits*2'),
            Notebooks::line('many', 'formula', formula: 'x*2'), Notebooks::line('column', 'statistics', ['column' => 'gone']), Notebooks::line('no', 'divination'),
            Notebooks::line('empty', 'slope', ['x' => 'x']), Notebooks::line('good', 'formula', formula: 'V*2'),
        ], Notebooks::run(1, ['x' => [1.0, 2.0]])));

        $told = [];
        foreach (array_keys($worked->notebook->lines) as $symbol) {
            $line = $worked->line($symbol, null);
            $told[$symbol] = [$line->problem ?? $line->needs, $line->position];
        }
        self::assertSame(['At character 5: "Tt" is not a column, an entry or a constant here. Did you mean "T"?', 5], $told['typo']);
        self::assertSame(3, $told['mixed'][1]);
        self::assertStringContainsString('a value in mL cannot be added to a value in °C', (string) $told['mixed'][0]);
        self::assertStringContainsString('needs kelvin', (string) $told['ratio'][0]);
        self::assertSame('This line uses itself: round → trip → round. Take one of them out.', $told['round'][0]);
        self::assertSame('Type the entry c.', $told['waits'][0]);
        self::assertSame('Needs line ⑥.', $told['also'][0]);
        self::assertStringContainsString('is a column with many values', (string) $told['many'][0]);
        self::assertSame('There is no column "gone" (any more). Choose another.', $told['column'][0]);
        self::assertSame('There is no method "divination".', $told['no'][0]);
        self::assertSame('Choose: y.', $told['empty'][0]);
        self::assertSame([null, null], $told['good']);
        self::assertSame(50.0, $worked->line('good')->result()?->value);
        self::assertSame(4, $worked->column('bad', 1)->position);
        self::assertStringContainsString('a number or a name is missing', (string) $worked->column('bad', 1)->problem);
    }

    public function test_a_value_of_each_run_becomes_one_by_its_mean(): void
    {
        $worked = new WorkedNotebook(Notebooks::of([], [Notebooks::column('x')], [
            Notebooks::line('m', 'statistics', ['column' => 'x'], isPerRun: true), Notebooks::line('wrong', 'formula', formula: '2*m'),
            Notebooks::line('all', 'statistics', ['column' => 'm']), Notebooks::line('twice', 'formula', formula: '2*all'),
        ], Notebooks::run(1, ['x' => [1.0, 3.0]], condition: 'full'), Notebooks::run(2, ['x' => [5.0, 7.0]], condition: 'half'), Notebooks::run(3, ['x' => [3.0, 3.0]], condition: 'full')));

        self::assertStringContainsString('has a value for each run', (string) $worked->line('wrong')->needs);
        self::assertEqualsWithDelta(11.0 / 3.0, $worked->line('all')->result()?->value, 1e-12);
        self::assertEqualsWithDelta(22.0 / 3.0, $worked->line('twice')->result()?->value, 1e-12);
        $groups = (new RunsTable($worked))->grouped('m');
        self::assertSame([['full', 2, 2.5, 1.0, 0.5, 20.0], ['half', 1, 6.0, 0.0, 0.0, 0.0]], array_map(static fn ($g): array => [$g->condition, $g->n, $g->mean, $g->range, $g->halfRange, $g->percent], $groups));
        self::assertEqualsWithDelta(sqrt(0.5), $groups[0]->sd, 1e-12);
        self::assertEqualsWithDelta(0.5, $groups[0]->standardError, 1e-12);
        self::assertNull($groups[1]->sd, 'One value says nothing of its scatter.');
        self::assertSame(['m'], (new RunsTable($worked))->symbols());
    }

    public function test_what_the_values_of_runs_have_in_common_is_not_averaged_away(): void
    {
        $worked = new WorkedNotebook(Notebooks::of([Notebooks::entry('a', 2.0, 0.1)], [Notebooks::column('x')], [
            Notebooks::line('m', 'statistics', ['column' => 'x'], isPerRun: true), Notebooks::line('k', 'formula', formula: 'a*m', isPerRun: true), Notebooks::line('all', 'statistics', ['column' => 'k']),
        ], Notebooks::run(1, ['x' => [1.0, 1.0]]), Notebooks::run(2, ['x' => [1.0, 1.0]])));

        self::assertEqualsWithDelta(0.1, $worked->line('all')->result()?->uncertainty, 1e-9);
    }

    public function test_columns_of_rows_and_of_runs_do_not_mix_and_a_single_value_is_neither(): void
    {
        $worked = new WorkedNotebook(Notebooks::of([Notebooks::entry('a', 2.0)], [Notebooks::column('x')], [
            Notebooks::line('m', 'statistics', ['column' => 'x'], isPerRun: true), Notebooks::line('both', 'slope', ['x' => 'x', 'y' => 'm']), Notebooks::line('one', 'statistics', ['column' => 'a']),
        ], Notebooks::run(1, ['x' => [1.0, 2.0]]), Notebooks::run(2, ['x' => [3.0, 4.0]])));

        self::assertSame('A column of the rows and a column of the runs cannot be used together.', $worked->line('both')->problem);
        self::assertSame('"a" is one value and no column.', $worked->line('one')->problem);
    }

    public function test_only_what_hangs_on_a_change_is_worked_out_again(): void
    {
        $kept = new class implements Results
        {
            /** @var array<string, Outcome> */
            public array $all = [];

            public int $made = 0;

            public function find(string $key): ?Outcome
            {
                return $this->all[$key] ?? null;
            }

            public function keep(string $key, Outcome $outcome): void
            {
                $this->all[$key] = unserialize(serialize($outcome));
                $this->made++;
            }
        };
        $notebook = static fn (float $b, string $revision, float $last): Notebook => Notebooks::of([Notebooks::entry('a', 2.0, 0.1), Notebooks::entry('b', $b, 0.1)], [Notebooks::column('x')], [
            Notebooks::line('m', 'statistics', ['column' => 'x'], isPerRun: true), Notebooks::line('A', 'formula', formula: '2*a'), Notebooks::line('B', 'formula', formula: 'A*b'), Notebooks::line('c', 'formula', formula: 'm*A', isPerRun: true),
        ], Notebooks::run(1, ['x' => [1.0, $last]], revision: $revision), Notebooks::run(2, ['x' => [5.0, 7.0]]));
        $all = static function (Notebook $n) use ($kept): int {
            $kept->made = 0;
            $worked = new WorkedNotebook($n, $kept);
            foreach ($worked->nodes() as [$symbol, $run]) {
                self::assertNotNull($worked->line($symbol, $run)->result());
            }

            return $kept->made;
        };

        self::assertSame(6, $all($notebook(3.0, 'a', 3.0)), 'Two lines for each of two runs, and two more.');
        self::assertSame(0, $all($notebook(3.0, 'a', 3.0)));
        self::assertSame(1, $all($notebook(4.0, 'a', 3.0)), 'B alone hangs on b.');
        self::assertSame(2, $all($notebook(4.0, 'b', 4.0)), 'm and c of the first run.');
        self::assertSame(0, $all($notebook(3.0, 'a', 3.0)), 'What was, is known.');
        // What was kept knows what it has in common with what is new.
        $worked = new WorkedNotebook($notebook(3.0, 'a', 3.0), $kept);
        self::assertEqualsWithDelta(2.0 * 0.1 * 3.0, $worked->line('A')->result()?->covarianceWith($worked->line('B')->result() ?? Measured::of(0.0, 0.0, Unit::one())) / (2.0 * 0.1), 1e-9);
    }

    public function test_what_somebody_thinks_a_result_is_stands_with_the_line_and_no_result_rests_on_it(): void
    {
        $line = static fn (bool $isPerRun, array $guesses): Line => new Line('m', 'Mean', 'statistics', $isPerRun, ['column' => 'x'], guesses: $guesses);
        $key = static fn (array $guesses): string => (new WorkedNotebook(Notebooks::of([], [Notebooks::column('x')], [$line(true, $guesses)], Notebooks::run(1, ['x' => [1.0, 2.0]]))))->keyOfLine('m', 1);

        self::assertSame($key([]), $key([1 => '1.5 mL']));
        $typed = [0 => '24,5 mL', 3 => 'about 2'];
        self::assertSame(['about 2', null, null], array_map($line(true, $typed)->guessOf(...), [3, 4, null]));
        self::assertSame(['24,5 mL', '24,5 mL'], array_map($line(false, $typed)->guessOf(...), [null, 3]), 'A line that is not for each run has one result.');
        self::assertNull($line(false, [3 => 'about 2'])->guessOf(null));
    }

    public function test_a_column_that_changes_by_itself_leaves_the_keys_of_the_others(): void
    {
        $keys = static function (string $revision, array $revisions): array {
            $run = Notebooks::run(1, ['x' => [1.0], 'y' => [2.0], 'z' => [3.0]], revision: $revision, revisions: $revisions);
            $worked = new WorkedNotebook(Notebooks::of([], [Notebooks::column('x'), Notebooks::column('y'), Notebooks::column('z')], [], $run));

            return [$worked->keyOfColumn('x', 1), $worked->keyOfColumn('y', 1), $worked->keyOfColumn('z', 1)];
        };
        $same = static fn (array $a, array $b): array => array_map(static fn (string $x, string $y): bool => $x === $y, $a, $b);
        $before = $keys('a', ['x' => 'p', 'y' => 'q']);

        self::assertSame([true, false, true], $same($before, $keys('a', ['x' => 'p', 'y' => 'r'])));
        self::assertSame([true, true, false], $same($before, $keys('b', ['x' => 'p', 'y' => 'q'])), 'What has none of its own goes with the run.');
    }

    public function test_a_column_that_is_recorded_from_something_else_has_another_key(): void
    {
        $key = static fn (string $origin): string => (new WorkedNotebook(Notebooks::of([], [new Column('x', 'X', Unit::one(), ColumnKind::Measured, origin: $origin)],
            [Notebooks::line('m', 'statistics', ['column' => 'x'], isPerRun: true)], Notebooks::run(1, ['x' => [1.0, 2.0]]))))->keyOfLine('m', 1);

        self::assertSame($key('electrode'), $key('electrode'));
        self::assertNotSame($key('electrode'), $key('electrode raw'));
    }

    public function test_two_lines_over_the_same_rows_that_meet_in_a_formula_say_so(): void
    {
        $worked = new WorkedNotebook(Notebooks::of([], [Notebooks::column('x'), Notebooks::column('y')], [
            Notebooks::line('m', 'statistics', ['column' => 'y'], isPerRun: true), Notebooks::line('s', 'slope', ['x' => 'x', 'y' => 'y'], isPerRun: true),
            Notebooks::line('q', 'formula', formula: 's/m', isPerRun: true), Notebooks::line('r', 'formula', formula: 's*2', isPerRun: true),
        ], Notebooks::run(1, ['x' => [1.0, 2.0, 3.0], 'y' => [2.0, 3.9, 6.0]])));

        self::assertSame(['counted-apart'], array_map(static fn ($w): string => $w->code, $worked->line('q', 1)->outcome->warnings ?? []));
        self::assertSame([], $worked->line('r', 1)->outcome?->warnings);
    }

    /** @return array<string, float> the amount of each source by its words */
    private static function shares(?Measured $of): array
    {
        $shares = [];
        foreach ($of?->shares->amounts() ?? [] as [$source, $amount]) {
            $shares[$source->words] = abs($amount);
        }

        return $shares;
    }
}
