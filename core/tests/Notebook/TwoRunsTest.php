<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\Entry;
use Welkion\Core\Notebook\Line;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** Lines across runs, and lines of one run among several. */
final class TwoRunsTest extends TestCase
{
    public function test_what_a_calibration_does_to_both_runs_is_not_in_their_difference(): void
    {
        $difference = self::compared('°C', [[20.0, 20.2, 20.1], [30.0, 30.2, 30.1]]);

        // The means are 30.1 and 20.1, each ± 0.1/√3 by its scatter and ± 0.3 by the thermometer both were read by.
        self::assertEqualsWithDelta([10.0, sqrt(2.0 / 300.0)], [$difference->result()?->value, $difference->result()?->uncertainty], 1e-9);
        self::assertSame('K', $difference->result()?->unit->difference()->symbol);
        self::assertSame(['difference'], array_keys($difference->outcome->values ?? []), 'Of temperatures in °C there is no ratio.');
        self::assertSame('The two differ by more than their ±: by 122.5 times the standard uncertainty of their difference.', $difference->outcome?->method);
    }

    public function test_the_second_is_taken_from_the_first_and_their_ratio_told(): void
    {
        $one = self::compared('g', [[2.0, 2.2, 2.1], [4.2, 4.1, 4.3]]);
        $back = self::compared('g', [[2.0, 2.2, 2.1], [4.2, 4.1, 4.3]], '1', '2');

        self::assertEqualsWithDelta([2.1, 2.0], [$one->value('d.difference')?->value, $one->value('d.ratio')?->value], 1e-12);
        self::assertEqualsWithDelta([-2.1, 0.5], [$back->value('d.difference')?->value, $back->value('d.ratio')?->value], 1e-12);
        self::assertSame([], $one->outcome?->warnings);
        $near = self::compared('g', [[2.0, 2.2, 2.1], [2.1, 2.2, 2.0]]);
        self::assertSame('The two agree within their ±: they are 0.0 times the standard uncertainty of their difference apart, and up to 2 is agreement.', $near->outcome?->method);
        $none = self::compared('g', [[0.0, 0.0], [1.0, 1.0]]);
        self::assertSame(['difference'], array_keys($none->outcome->values ?? []), 'Nothing is no part of anything.');
    }

    public function test_what_is_missing_is_told_with_its_run(): void
    {
        self::assertSame('There is no run 3 (any more). Record it, or choose another.', self::compared('g', [[1.0], [2.0]], '3', '1')->needs);
        self::assertSame('There is no run two (any more). Record it, or choose another.', self::compared('g', [[1.0, 1.1], [2.0, 2.1]], '1', 'two')->needs);
        self::assertSame('Run 2 has no w yet.', self::compared('g', [[1.0, 1.1], []])->needs);
        self::assertSame('Choose: In run.', self::compared('g', [[1.0, 1.1], [2.0, 2.1]], '', '1')->needs);
        $aside = self::compared('g', [[1.0, 1.1], [2.0, 2.1]], aside: 'The cup leaked.');
        self::assertSame('Run 2 is set aside. Take it back, or choose another.', $aside->needs);
        $ofRows = self::compared('g', [[1.0, 1.1], [2.0, 2.1]], result: 'm');
        self::assertSame('"m" has no value for each run. Choose an entry or a line that has.', $ofRows->problem);
    }

    public function test_values_without_an_uncertainty_are_not_judged(): void
    {
        $notebook = Notebooks::of([new Entry('c', 'Strength', Unit::parse('mol/L'), null, true, [1 => self::plain(0.1), 2 => self::plain(0.3)])], [], [self::line('c')], Notebooks::run(1, []), Notebooks::run(2, []));
        $line = (new WorkedNotebook($notebook))->line('d');

        self::assertEqualsWithDelta(0.2, $line->result()?->value, 1e-12);
        self::assertSame('Without a ± nothing tells whether they differ by more than chance.', $line->outcome?->method);
        self::assertSame(['no-uncertainty'], array_column($line->outcome->warnings, 'code'));
    }

    public function test_a_line_may_be_of_one_run_alone(): void
    {
        $strength = new Entry('c', 'Strength', Unit::one(), null, true, [1 => self::plain(10.0), 2 => self::plain(20.0)]);
        $notebook = static fn (?int $only): WorkedNotebook => new WorkedNotebook(Notebooks::of([$strength], [Notebooks::column('m')], [
            new Line('w', 'Mean', 'statistics', false, ['column' => 'm'], onlyRun: $only), new Line('twice', 'Twice', 'formula', false, [], ['formula' => '2*c + 0*w'], onlyRun: $only),
            Notebooks::line('less', 'formula', formula: 'w - c', isPerRun: true),
        ], Notebooks::run(1, ['m' => [1.0, 3.0]]), Notebooks::run(2, ['m' => [5.0, 7.0]])));

        self::assertSame([2.0, 6.0, 4.0], array_map(static fn (?int $of): ?float => $notebook($of)->line('w')->result()?->value, [1, 2, null]), 'Of none alone it is of all rows.');
        self::assertEqualsWithDelta(40.0, $notebook(2)->line('twice')->result()?->value, 1e-12, 'What is typed for each run is that of its own.');
        self::assertEqualsWithDelta([-8.0, -18.0], [$notebook(1)->line('less', 1)->result()?->value, $notebook(1)->line('less', 2)->result()?->value], 1e-12, 'Lines of other runs use it.');
        self::assertSame('There is no run 3 (any more). Record it, or let the line be of another.', $notebook(3)->line('w')->needs);
        self::assertCount(4, array_unique(array_map(static fn (?int $of): string => $notebook($of)->keyOfLine('w', null), [1, 2, 3, null])));
        self::assertNull($notebook(2)->line('w')->run);
    }

    /**
     * The mean of a column in two runs, compared.
     *
     * @param  list<list<float>>  $runs
     */
    private static function compared(string $unit, array $runs, string $one = '2', string $other = '1', ?string $aside = null, string $result = 'w'): WorkedLine
    {
        $thermometer = Source::named('calibration 7', 'calibration of the thermometer');
        $made = [];
        foreach ($runs as $i => $values) {
            $count = count($values);
            $run = Notebooks::run($i + 1, ['m' => new ColumnInput('m', Unit::parse($unit), $values, array_fill(0, $count, 0.0), [[$thermometer, array_fill(0, $count, 0.3)]])]);
            $made[] = new Run($run->id, $run->number, $run->name, null, null, 'a', $run->data, aside: $i === 1 ? $aside : null);
        }
        $notebook = Notebooks::of([], [Notebooks::column('m', $unit)], [Notebooks::line('w', 'statistics', ['column' => 'm'], isPerRun: true), self::line($result, $one, $other)], ...$made);

        return (new WorkedNotebook($notebook))->line('d');
    }

    private static function line(string $result, string $one = '2', string $other = '1'): Line
    {
        return new Line('d', 'Difference', 'two-runs', false, ['result' => $result], ['run' => $one, 'other' => $other]);
    }

    private static function plain(float $value): Measured
    {
        return Measured::of($value, 0.0, Unit::one());
    }
}
