<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Notebook\Entry;
use Welkion\Core\Notebook\Related;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\Straightened;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Straighten\Way;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class StraightenedTest extends TestCase
{
    /** A vat of 100 L filled at seven rates; one time was written down wrong and is set aside. */
    private const RATES = [10.2, 12.0, 15.1, 18.0, 22.4, 27.9, 34.0, 41.3];

    private const TIMES = [9.81, 8.39, 6.60, 5.57, 14.45, 3.60, 2.93, 2.43];

    public function test_an_inverse_relation_is_told_in_the_symbols_and_units_of_its_columns(): void
    {
        $told = Straightened::of(self::notebook('q', 'L/min', self::RATES, 't', 'min', self::TIMES, [4 => 'misread']), 1, 'q', 't');
        $best = $told->ways[0];

        self::assertSame([7, 7], [$told->n, $told->looked]);
        self::assertSame(Relation::Inverse, $best->candidate->relation);
        self::assertSame(['t against 1/q', '1/q', 't', 'straight'], [$best->title(), $best->xFormula, $best->yFormula, $best->verdict()]);
        self::assertSame('t is inversely proportional to q.', $best->meaning());
        self::assertSame('The inverse of t changes evenly with q.', $told->way(Relation::InverseOfLine)->meaning());
        self::assertSame(['straight', 'straight'], [$told->way(Relation::Power)->verdict(), $told->way(Relation::InverseOfLine)->verdict()], 'The same law in other words.');
        self::assertSame([], $told->skipped());
        // By hand: the mean of q*t is 100.3; the line through the points in 1/q has a slope of 100.6 and an intercept of 0.01.
        self::assertEqualsWithDelta(100.5, $best->slope->value, 0.5);
        self::assertSame(['L', 'min'], [$best->slope->unit->symbol, $best->intercept?->unit->symbol]);
        self::assertMatchesRegularExpression('/^The constant is 100\.\d ± 0\.\d L\.$/u', $best->constant());
        self::assertMatchesRegularExpression('/^The line goes through the origin within its ± \(intercept −?0\.0\d ± 0\.\d+ min\)\.$/u', $best->origin());
        $plain = $told->way(Relation::Linear);
        self::assertSame(['t against q', 'leaves more over than the best way'], [$plain->title(), $plain->verdict()]);
        $whole = Straightened::of(self::notebook('q', 'L/min', self::RATES, 't', 'min', array_replace(self::TIMES, [4 => 4.45])), 1, 'q', 't');
        self::assertSame(['bends: the ends lie above', 'straight'], [$whole->way(Relation::Linear)->verdict(), $whole->ways[0]->verdict()]);
        $mirrored = Straightened::of(self::notebook('q', 'L/min', self::RATES, 't', 'min', array_map(static fn (float $t): float => 10.0 - $t, array_replace(self::TIMES, [4 => 4.45]))), 1, 'q', 't');
        self::assertSame('bends: the ends lie below', $mirrored->way(Relation::Linear)->verdict());
        self::assertMatchesRegularExpression('/^The line does not go through the origin/', $plain->origin());
        self::assertSame('ln t against ln q', $told->way(Relation::Power)->title());
        self::assertSame(['', 'The line is drawn through the origin.'], [$told->way(Relation::Power)->origin(), $told->way(Relation::Proportional)->origin()]);
        self::assertEqualsWithDelta(-1.0, $told->way(Relation::Power)->slope->value, 0.02);
        self::assertSame('', $told->way(Relation::Power)->slope->unit->symbol);
        self::assertTrue($told->way(Relation::InverseOfLine)->intercept?->unit->measuresTheSameAs(Unit::parse('1/min')));
    }

    public function test_the_runs_table_is_made_straight_as_rows_are_without_what_is_set_aside(): void
    {
        $plain = static fn (float $value): Measured => Measured::of($value, 0.0, Unit::parse('mL'));
        $runs = $volumes = [];
        foreach ([1 => 10.0, 2 => 20.0, 3 => 25.0, 4 => 40.0, 5 => 50.0, 6 => 60.0] as $id => $volume) {
            $volumes[$id] = $plain($volume);
            // The mean pressure is 1000 / V, but for a run that leaked.
            $made = Notebooks::run($id, ['p' => array_fill(0, 3, $id === 4 ? 3.0 : 1000.0 / $volume)]);
            $runs[] = new Run($id, $id, $made->name, null, null, 'a', $made->data, aside: $id === 4 ? 'it leaked' : null);
        }
        $in = new WorkedNotebook(Notebooks::of([new Entry('V', 'Volume', Unit::parse('mL'), null, true, $volumes)], [Notebooks::column('p')], [Notebooks::line('P', 'statistics', ['column' => 'p'], isPerRun: true)], ...$runs));
        $told = Straightened::of($in, 1, 'V', 'P');

        self::assertSame([5, Relation::Inverse], [$told->n, $told->ways[0]->candidate->relation]);
        self::assertEqualsWithDelta(1000.0, $told->ways[0]->slope->value, 1e-6);
        $related = Related::of($in, 1, 'V', 'P', null);
        self::assertSame([5, 1, Relation::Inverse], [$related->n, $related->setAside, $related->relations()[0]->relation]);
        $this->expectExceptionMessage('"V" is one value and no column.');
        Straightened::of($in, 1, 'V', 'p');
    }

    public function test_the_slopes_of_all_ways_are_those_of_exact_laws(): void
    {
        $x = [1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0];
        $law = static fn (\Closure $of): Straightened => Straightened::of(self::notebook('x', 's', $x, 'y', 'm', array_map($of, $x)), 1, 'x', 'y');
        foreach ([
            [Relation::Quadratic, static fn (float $t): float => 4.9 * $t * $t, 'y against x²', 'x^2', 'y', 4.9, 'm/s^2'],
            [Relation::InverseSquare, static fn (float $t): float => 7.0 / $t / $t, 'y against 1/x²', '1/x^2', 'y', 7.0, 'm s^2'],
            [Relation::SquareRoot, static fn (float $t): float => 3.0 * sqrt($t), 'y against √x', 'sqrt(x)', 'y', 3.0, 'm/s^0.5'],
            [Relation::ExponentialGrowth, static fn (float $t): float => 2.0 * exp(0.3 * $t), 'ln y against x', 'x', 'ln(y)', 0.3, '1/s'],
            [Relation::InverseOfLine, static fn (float $t): float => 1.0 / (0.2 * $t + 0.1), '1/y against x', 'x', '1/y', 0.2, '1/m/s'],
            [Relation::Logarithmic, static fn (float $t): float => 5.0 + 2.0 * log($t), 'y against ln x', 'ln(x)', 'y', 2.0, 'm'],
            [Relation::RootOfLine, static fn (float $t): float => sqrt(3.0 * $t + 2.0), 'y² against x', 'x', 'y^2', 3.0, 'm^2/s'],
        ] as [$relation, $of, $title, $xFormula, $yFormula, $slope, $unit]) {
            $way = $law($of)->way($relation);
            self::assertSame([$title, $xFormula, $yFormula], [$way->title(), $way->xFormula, $way->yFormula]);
            self::assertEqualsWithDelta($slope, $way->slope->value, 1e-6);
            self::assertTrue($way->slope->unit->measuresTheSameAs(Unit::parse(match ($unit) {
                'm s^2' => 'm*s^2', '1/m/s' => '1/(m*s)', default => $unit,
            })), "{$title}: {$way->slope->unit->symbol}");
            self::assertSame('straight', $way->verdict());
        }
        self::assertMatchesRegularExpression('/^The slope of the logarithm is 0\.3 1\/s\.$/', $law(static fn (float $t): float => 2.0 * exp(0.3 * $t))->way(Relation::ExponentialGrowth)->constant());
    }

    public function test_a_distance_from_a_limit_is_told_with_the_limit(): void
    {
        $x = array_map(floatval(...), range(0, 14));
        $told = Straightened::of(self::notebook('t', 'min', $x, 'T', 'degC', array_map(static fn (float $t): float => 20.0 + 60.0 * exp(-$t / 4.0), $x)), 1, 't', 'T');
        $way = $told->way(Relation::ExponentialDecay);

        self::assertSame(['ln(T − limit) against t', 'ln(T - limit)'], [$way->title(), $way->yFormula]);
        self::assertEqualsWithDelta(20.0, $way->limit?->value, 1e-6);
        self::assertSame('°C', $way->limit->unit->symbol);
        self::assertEqualsWithDelta(-0.25, $way->slope->value, 1e-6);
        self::assertStringContainsString('It goes to T = 20', $way->constant());
        // Ratios and logarithms of a temperature in °C mean nothing.
        self::assertSame([['T is in °C, which does not start at zero; this needs kelvin.', 'T'], ['t is 0 or negative in some points.', null]], $told->skipped());
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage('T against t cannot be plotted as "power": T is in °C, which does not start at zero; this needs kelvin.');
        $told->way(Relation::Power);
    }

    /** What its curve leaves of y, summed here by hand, is more than twice that of the best one's, and no pattern shows. */
    public function test_a_way_that_leaves_much_more_over_is_told_so(): void
    {
        $x = [1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0];
        $verdicts = [];
        $isBetween = false;
        foreach (range(0.1, 3.0, 0.1) as $lift) {
            $y = array_map(static fn (float $at, int $i): float => 2.0 * $at + $lift + 0.35 * [1, -1, -1, 1, 1, -1, 0][$i], $x, array_keys($x));
            $told = Straightened::of(self::notebook('x', '', $x, 'y', '', $y), 1, 'x', 'y');
            $left = static fn (Way $way): float => sqrt(array_sum(array_map(static fn (float $of, float $at): float => ($of - $at) ** 2, $y, $way->candidate->fit->at($x))));
            foreach ($told->ways as $way) {
                $isMore = $left($way) > 2.0 * $left($told->ways[0]);
                $way->candidate->bends() || self::assertSame($isMore ? 'leaves more over than the best way' : 'straight', $way->verdict(), "{$lift}: {$way->title()}");
                $verdicts[] = $way->verdict();
                $times = $left($way) / $left($told->ways[0]);
                $isBetween = $isBetween || ($times > 1.5 && $times < 1.95 && ! $way->candidate->bends());
            }
        }
        self::assertTrue($isBetween, 'Some leave a little more, which is no reason.');
        self::assertContains('straight', $verdicts);
        self::assertContains('leaves more over than the best way', $verdicts);
        foreach ([1e-6, 0.3, 7e5] as $size) {
            $exact = Straightened::of(self::notebook('x', '', $x, 'y', '', array_map(static fn (float $at): float => $size / $at, $x)), 1, 'x', 'y');
            foreach ([Relation::Inverse, Relation::Power, Relation::InverseOfLine] as $same) {
                self::assertSame('straight', $exact->way($same)->verdict(), 'What rounding leaves is nothing.');
            }
            self::assertNotSame('straight', $exact->way(Relation::Linear)->verdict());
        }
    }

    public function test_of_many_points_some_are_looked_at_and_of_few_none(): void
    {
        $x = array_map(static fn (int $i): float => 1.0 + $i / 100.0, range(0, 4999));
        $told = Straightened::of(self::notebook('x', '', $x, 'y', '', array_map(static fn (float $v): float => 5.0 / $v, $x)), 1, 'x', 'y');
        self::assertSame([5000, 400, Relation::Inverse], [$told->n, $told->looked, $told->ways[0]->candidate->relation]);

        $this->expectException(NotEnoughPoints::class);
        Straightened::of(self::notebook('x', '', [1.0, 2.0, 3.0, 4.0], 'y', '', [1.0, 2.0, 3.0, 4.0]), 1, 'x', 'y');
    }

    /**
     * @param  list<float>  $xs
     * @param  list<float>  $ys
     * @param  array<int, string>  $aside
     */
    private static function notebook(string $x, string $xUnit, array $xs, string $y, string $yUnit, array $ys, array $aside = []): WorkedNotebook
    {
        $rows = [$x => new ColumnInput($x, Unit::parse($xUnit), $xs), $y => new ColumnInput($y, Unit::parse($yUnit), $ys)];

        return new WorkedNotebook(Notebooks::of([], [Notebooks::column($x, $xUnit), Notebooks::column($y, $yUnit)], [], Notebooks::run(1, $rows, $aside)));
    }
}
