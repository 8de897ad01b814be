<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\FitGoodness;
use Welkion\Core\Fitting\Methods\RelationFit;
use Welkion\Core\Fitting\Methods\Slope;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Notebook\Line;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Goodness;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\MarkKind;
use Welkion\Core\Working\Outcome;

/** What a line of working says of a curve: its constants and how good it is, by hand where that is possible. */
final class RelationMethodTest extends TestCase
{
    private const X = [1.0, 2.0, 3.0, 4.0, 5.0];

    /** Of the straight line 0.6 + 0.8 x. */
    private const Y = [2.0, 1.0, 4.0, 3.0, 5.0];

    public function test_a_point_is_far_off_from_three_standard_deviations_of_the_others_on(): void
    {
        $x = range(1.0, 12.0);
        $found = 0;
        foreach (range(1.0, 12.0, 0.05) as $off) {
            $y = array_map(static fn (float $at): float => 2.0 * $at + (fmod($at, 2.0) === 0.0 ? 1.0 : -1.0) + ($at === 6.0 ? $off : 0.0), $x);
            $fit = (new CurveFitter)->fit(Relation::Linear->curve(), $x, $y);
            $squares = array_sum(array_map(static fn (float $r): float => $r * $r, $fit->residuals));
            $others = array_filter($fit->residuals, static fn (float $r): bool => abs($r) > 3.0 * sqrt(($squares - $r * $r) / (12 - 2 - 1)));

            $far = FitGoodness::of($fit, new ColumnInput('x', Unit::one(), $x), new ColumnInput('y', Unit::one(), $y))->far;
            self::assertSame(array_map(static fn (int $place): float => $x[$place], array_keys($others)), array_column($far, 0), "off by {$off}");
            $found += count($far);
        }
        self::assertGreaterThan(20, $found);
    }

    /** Draper and Smith's formulas by hand: Sxx = 10, Sxy = 8, RSS = 3.6, s² = 1.2, t(3) at 97.5 % = 3.1824. */
    public function test_every_constant_of_every_relation_is_called_by_what_it_is(): void
    {
        foreach (Relation::cases() as $relation) {
            self::assertSame(self::sorted($relation->curve()->constants), self::sorted(array_keys($relation->constants())), $relation->value);
        }
        $of = static fn (string $method, array $texts): array => Methods::outcomeWords(new Line('l', 'Line', $method, true, ['x' => 't', 'y' => 'h'], $texts));
        self::assertSame('centre', $of('relation', ['relation' => 'gaussian_on_line'])['m']);
        self::assertSame([], $of('relation', ['relation' => '', 'formula' => 'u*x']), 'Nobody knows what those of a typed formula are.');
        self::assertSame('Slope', $of('slope', [])['slope']);
        self::assertSame([], $of('none such', []));
    }

    /**
     * @param  list<string>  $names
     * @return list<string>
     */
    private static function sorted(array $names): array
    {
        sort($names);

        return $names;
    }

    public function test_a_straight_line_by_hand(): void
    {
        $goodness = self::goodness(self::work(['relation' => 'linear']));

        self::assertSame([5, 3, 'no pattern is left over'], [$goodness->n, $goodness->degreesOfFreedom, $goodness->verdict()]);
        self::assertEqualsWithDelta(0.64, $goodness->rSquared, 1e-12);
        self::assertEqualsWithDelta(sqrt(3.6 / 5.0), $goodness->rmse->value, 1e-12);
        self::assertSame('mL', $goodness->rmse->unit->symbol);
        $half = 3.182446 * sqrt(1.2 / 10.0);
        self::assertEqualsWithDelta([0.8 - $half, 0.8 + $half], $goodness->intervals['a'], 1e-5);
        self::assertSame(self::X, $goodness->x);
        self::assertEqualsWithDelta([0.6, -1.2, 1.0, -0.8, 0.4], $goodness->residuals, 1e-12);
    }

    public function test_the_slope_says_the_same_of_its_line_whether_of_few_points_or_of_many(): void
    {
        foreach ([5, 2500] as $n) {
            $x = array_map(floatval(...), range(1, $n));
            $y = array_map(static fn (float $at, int $i): float => 0.6 + 0.8 * $at + 0.02 * [1, -2, 2, -2, 1][$i % 5], $x, array_keys($x));
            $columns = ['x' => self::column('t', 'min', $x), 'y' => self::column('V', 'mL', $y)];
            $slope = self::goodness((new Slope)->work(new Inputs($columns)));
            $line = self::goodness((new RelationFit)->work(new Inputs($columns, texts: ['relation' => 'linear'])));

            self::assertSame([$line->n, $line->degreesOfFreedom, $line->bends, $line->origin], [$slope->n, $slope->degreesOfFreedom, $slope->bends, $slope->origin]);
            self::assertEqualsWithDelta([$line->intervals['a'], $line->intervals['b']], [$slope->intervals['slope'], $slope->intervals['intercept']], 1e-9);
            $width = static fn (array $interval): float => $interval[1] - $interval[0];
            self::assertEqualsWithDelta(1.0, $width($slope->intervals['slope']) / $width($line->intervals['a']), 5e-8, 'One degree of freedom more or less shows.');
            self::assertEqualsWithDelta(1.0, $width($slope->intervals['intercept']) / $width($line->intervals['b']), 5e-8);
            self::assertEqualsWithDelta([$line->rSquared, $line->rmse->value], [$slope->rSquared, $slope->rmse->value], 1e-9);
            self::assertEqualsWithDelta($line->residuals, $slope->residuals, 1e-9);
            self::assertCount(min(300, $n), $slope->x);
            self::assertMatchesRegularExpression('/^The intercept is not zero \(0\.\d+ ± 0\.\d+ mL\)\.$/', $slope->origin);
        }
    }

    /** The interval of a slope is told in the unit of the slope: mm³ over cm² is 0.01 mm. */
    public function test_an_interval_is_in_the_unit_of_its_value(): void
    {
        $outcome = (new Slope)->work(new Inputs(['x' => self::column('A', 'cm^2', self::X), 'y' => self::column('V', 'mm^3', self::Y)]));
        [$low, $high] = self::goodness($outcome)->intervals['slope'];

        self::assertEqualsWithDelta($outcome->values['slope']->value, ($low + $high) / 2.0, 1e-12);
    }

    public function test_a_curve_is_judged_by_its_points(): void
    {
        $bend = self::goodness(self::work(['relation' => 'linear'], array_map(floatval(...), range(1, 12)), array_map(static fn (int $i): float => $i ** 2 / 1.0, range(1, 12))));
        self::assertTrue($bend->bends);
        self::assertSame('what is left over still bends', $bend->verdict());
        self::assertSame('too few points to show a pattern', self::goodness(self::work(['relation' => 'proportional'], [1.0, 2.0, 3.0], [1.1, 1.9, 3.1]))->verdict());

        $through = self::work(['relation' => 'linear'], [1.0, 2.0], [3.0, 5.0]);
        self::assertSame(['goes through every point, which says nothing', [], 0], [self::goodness($through)->verdict(), self::goodness($through)->intervals, self::goodness($through)->degreesOfFreedom]);
        self::assertNull(self::goodness(self::work(['relation' => 'linear'], [1.0, 2.0, 3.0], [4.0, 4.1, 4.0]))->rmse->uncertainty ?: null);
    }

    public function test_a_point_far_from_the_curve_is_told_by_the_scatter_of_the_others(): void
    {
        $x = array_map(floatval(...), range(1, 10));
        $y = array_map(static fn (float $at, int $i): float => 2.0 * $at + 0.05 * [1, -1, -1, 1, 1, -1, 1, -1, 1, -1][$i], $x, array_keys($x));
        self::assertSame([], self::goodness(self::work(['relation' => 'linear'], $x, $y))->far);
        $y[6] += 1.0;
        // Itself among them, all points scatter so far that it would not be told.
        foreach ([self::work(['relation' => 'linear'], $x, $y), (new Slope)->work(new Inputs(['x' => self::column('t', 'min', $x), 'y' => self::column('V', 'mL', $y)]))] as $line) {
            self::assertSame([[7.0, $y[6]]], self::goodness($line)->far);
        }
        $y[1] -= 5.0;
        self::assertSame([[2.0, $y[1]]], self::goodness(self::work(['relation' => 'linear'], $x, $y))->far, 'Beside one much further away the other is not told.');
        self::assertSame([], self::goodness(self::work(['relation' => 'linear'], [1.0, 2.0, 3.0, 4.0, 5.0], [2.0, 4.0, 6.01, 8.0, 30.0]))->far, 'Three others tell no scatter.');
        self::assertSame([], self::goodness(self::work(['relation' => 'linear'], $x, array_map(static fn (float $at): float => 0.1 * $at, $x)))->far, 'What rounding leaves is nothing.');
        $nearly = array_map(static fn (float $at): float => 1e6 * $at + ($at === 7.0 ? 1e-4 : 0.0), $x);
        self::assertSame([], self::goodness(self::work(['relation' => 'linear'], $x, $nearly))->far, 'Nor is what large numbers lose.');

        $long = array_map(floatval(...), range(1, 2500));
        $wavy = array_map(static fn (float $at): float => 3.0 * $at + sin($at), $long);
        foreach ([100, 400, 900] as $k => $place) {
            $wavy[$place] += 10.0 + 4.0 * $k;
        }
        self::assertSame([[901.0, $wavy[900]], [401.0, $wavy[400]], [101.0, $wavy[100]]], self::goodness((new Slope)->work(new Inputs(['x' => self::column('t', 'min', $long), 'y' => self::column('V', 'mL', $wavy)])))->far, 'The furthest first.');
    }

    public function test_through_the_origin_or_not_is_judged_by_the_interval_of_what_is_added(): void
    {
        $origin = static fn (string $relation, array $y, string $unit = 'mL', string $along = 'min'): string => self::goodness((new RelationFit)->work(new Inputs(
            ['x' => self::column('x', $along, self::X), 'y' => self::column('y', $unit, $y)], texts: ['relation' => $relation])))->origin;
        $through = [2.1, 3.9, 6.1, 7.9, 10.0];
        $above = [5.1, 6.9, 9.1, 10.9, 13.0];

        self::assertMatchesRegularExpression('/^The intercept is zero within its ± \(0\.\d+ ± 0\.\d+ mL\)\.$/', $origin('linear', $through));
        self::assertMatchesRegularExpression('/^The intercept is not zero \(3\.\d+ ± 0\.\d+ mL\)\.$/', $origin('linear', $above));
        self::assertMatchesRegularExpression('/^Drawn through the origin; left free, the intercept is zero within its ± \(/', $origin('proportional', $through));
        self::assertMatchesRegularExpression('/^Drawn through the origin; left free, the intercept is not zero \(/', $origin('proportional', $above));
        $inverse = array_map(static fn (float $x): float => 6.0 / $x + 2.0 + 0.001 * sin($x), self::X);
        self::assertMatchesRegularExpression('/^Drawn without an added part; left free, the added part is not zero \((2\.0|1\.99).*mL\)\.$/', $origin('inverse', $inverse));
        self::assertMatchesRegularExpression('/^The added part is not zero/', $origin('inverse_offset', $inverse));
        // Where zero means nothing it is no question, nor where the curve has no such part.
        self::assertSame('', $origin('linear', $through, 'degC'));
        self::assertSame('', $origin('linear', $through, 'mL', 'degC'));
        self::assertSame('', $origin('parabola', $through));
        self::assertSame('', self::goodness(self::work(['relation' => 'linear', 'held' => 'b = 0']))->origin);
        self::assertSame('', self::goodness(self::work(['relation' => 'proportional'], [1.0, 2.0], [1.0, 2.1]))->origin, 'Two points cannot tell.');
        self::assertSame('', self::goodness(self::work(['relation' => 'proportional'], [1.0], [2.0]))->origin, 'Nor can one.');
    }

    public function test_what_is_known_is_not_fitted_and_leaves_more_to_tell_the_others_by(): void
    {
        $x = array_map(static fn (int $i): float => 2.0 * $i, range(0, 14));
        $y = array_map(static fn (float $t): float => 20.0 + 60.0 * exp(-$t / 8.0) + 0.1 * sin(7.0 * $t), $x);
        $columns = ['x' => self::column('t', 'min', $x), 'y' => self::column('T', 'degC', $y)];
        $free = (new RelationFit)->work(new Inputs($columns, texts: ['relation' => 'exponential_decay']));
        $held = (new RelationFit)->work(new Inputs($columns, texts: ['relation' => 'exponential_decay', 'held' => 'c = 20']));

        self::assertSame(['a', 'b', 'c'], array_keys($held->values));
        self::assertSame([20.0, 0.0, '°C'], [$held->values['c']->value, $held->values['c']->uncertainty, $held->values['c']->unit->symbol]);
        self::assertSame(['K', '1/min'], [$held->values['a']->unit->symbol, $held->values['b']->unit->symbol]);
        self::assertEqualsWithDelta(1.0 / 8.0, $held->values['b']->value, 3.0 * $held->values['b']->uncertainty);
        self::assertLessThan($free->values['b']->uncertainty, $held->values['b']->uncertainty);
        self::assertSame([12, 13], [self::goodness($free)->degreesOfFreedom, self::goodness($held)->degreesOfFreedom]);
        self::assertSame(['a', 'b'], array_keys(self::goodness($held)->intervals));
        // Of a swing whose search begins in a way of its own, too.
        $t = array_map(static fn (int $i): float => $i / 8.0, range(0, 99));
        $swing = array_map(static fn (float $at): float => 3.0 * sin(2.0 * M_PI * $at / 4.0 + 0.5) + 1.0, $t);
        foreach (['c = 1', 'T = 4', 'T = 4; c = 1'] as $known) {
            $values = self::work(['relation' => 'sine', 'held' => $known], $t, $swing)->values;
            self::assertEqualsWithDelta([3.0, 4.0, 1.0], [abs($values['a']->value), $values['T']->value, $values['c']->value], 1e-6, $known);
        }
        $root = self::work(['relation' => 'root_of_line', 'held' => 'b = 9'], [0.0, 1.0, 2.0, 3.0], [3.0, sqrt(13.0), sqrt(17.0), sqrt(21.0)]);
        self::assertEqualsWithDelta(4.0, $root->values['a']->value, 1e-9);
        // With the slope of a line known its height is a mean: of y - 0.8 x here 0.6.
        $line = self::work(['relation' => 'linear', 'held' => 'a = 0.8']);
        self::assertEqualsWithDelta([0.6, sqrt(3.6 / 4.0 / 5.0)], [$line->values['b']->value, $line->values['b']->uncertainty], 1e-9);

        foreach ([
            ['c = 20', 'linear', '"c" is no free constant of a*x + b. They are: a, b.'], ['a = 1; b = 2', 'linear', 'All constants of a*x + b are held. Leave one of them free.'],
            ['b is 0', 'linear', '"b is 0" is no value of a constant. Write it as "b = 0", several with a semicolon between them.'],
        ] as [$text, $relation, $sentence]) {
            try {
                self::work(['relation' => $relation, 'held' => $text]);
                self::fail("\"{$text}\" was taken.");
            } catch (InvalidQuantity $why) {
                self::assertSame($sentence, $why->getMessage());
            }
        }
    }

    public function test_a_formula_may_name_the_column_and_begins_where_it_is_told(): void
    {
        $x = array_map(static fn (int $i): float => 2.0 * $i, range(0, 14));
        $y = array_map(static fn (float $t): float => 60.0 * exp(-$t / 8.0), $x);
        $columns = ['x' => self::column('t', 'min', $x), 'y' => self::column('c', 'mmol/L', $y)];
        foreach (['A*exp(-t/tau)', 'A*exp(-x/tau)'] as $formula) {
            foreach (['', 'A = 40; tau = 3', 'A = 40', 'A = 40; k = 3'] as $start) {
                $values = (new RelationFit)->work(new Inputs($columns, texts: array_filter(['formula' => $formula, 'start' => $start])))->values;
                self::assertEqualsWithDelta([60.0, 8.0], [$values['A']->value, $values['tau']->value], 1e-6);
                self::assertSame(['mmol/L', 'min'], [$values['A']->unit->symbol, $values['tau']->unit->symbol]);
            }
        }
        $open = (new RelationFit)->work(new Inputs($columns, texts: ['formula' => 'A*exp(-t/tau) + E + F0']));
        self::assertStringStartsWith('These data do not determine the constants', (string) $open->needs);
        self::assertNull($open->goodness);
    }

    /** A unit that would be read more easily with another number in front stays as it is: the curve is worked out with it. */
    public function test_a_constant_is_told_in_the_unit_its_number_belongs_to(): void
    {
        $x = [1.0, 2.0, 4.0, 5.0];
        $outcome = (new RelationFit)->work(new Inputs(['x' => self::column('h', 'cm', $x), 'y' => self::column('A', 'mm^2', array_map(static fn (float $h): float => 30.0 / $h, $x))], texts: ['relation' => 'inverse']));
        // 30 mm² cm are 300 mm³.
        self::assertEqualsWithDelta(300.0, $outcome->values['a']->in(Unit::parse('mm^3'))->value, 1e-9);
        self::assertEqualsWithDelta(30.0, $outcome->values['a']->value, 1e-9);
    }

    public function test_the_curve_is_drawn_over_the_points_and_its_band_where_it_is_wanted(): void
    {
        $kinds = static fn (Outcome $of): array => array_map(static fn (Mark $m): MarkKind => $m->kind, $of->marks);
        self::assertSame([MarkKind::Curve], $kinds(self::work(['relation' => 'linear', 'band' => 'hidden'])));
        self::assertSame([MarkKind::Curve], $kinds(self::work(['relation' => 'linear', 'band' => 'drawn'], [1.0, 2.0], [3.0, 5.0])), 'Of two points there is none.');
        $drawn = self::work(['relation' => 'linear', 'band' => 'drawn']);
        [$curve, $band] = $drawn->marks;
        self::assertSame([1.0, 5.0, MarkKind::Band], [$curve->x[0], $curve->x[240], $band->kind]);
        // By hand, in the middle: the mean of y with a standard error of sqrt(1.2/5).
        $half = 3.182446 * sqrt(1.2 / 5.0);
        self::assertEqualsWithDelta([3.0, 3.0 - $half, 3.0 + $half], [$curve->y[120], $band->low[120] ?? NAN, $band->y[120]], 1e-5);
    }

    public function test_it_is_told_in_the_symbols_of_its_columns_with_the_numbers_put_in(): void
    {
        $told = self::work(['relation' => 'linear'])->explanation;
        self::assertNotNull($told);
        $texts = static function (array $tree) use (&$texts): array {
            return [...(isset($tree['text']) ? [$tree['text'].($tree['unit'] ?? '')] : []), ...array_merge(...array_map($texts, $tree['parts'] ?? []))];
        };
        self::assertSame(['V', 'a', 't', 'b'], $texts($told->symbols->toArray()));
        self::assertSame(['0.8mL/min', 't', '0.6mL'], $texts($told->numbers?->toArray() ?? []));
    }

    /**
     * @param  array<string, string>  $texts
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    private static function work(array $texts, array $x = self::X, array $y = self::Y): Outcome
    {
        return (new RelationFit)->work(new Inputs(['x' => self::column('t', 'min', $x), 'y' => self::column('V', 'mL', $y)], texts: $texts));
    }

    private static function goodness(Outcome $outcome): Goodness
    {
        self::assertContainsOnlyInstancesOf(Measured::class, $outcome->values);

        return $outcome->goodness ?? self::fail('It says how good it is.');
    }

    /** @param  list<float>  $values */
    private static function column(string $name, string $unit, array $values): ColumnInput
    {
        return new ColumnInput($name, Unit::parse($unit), $values);
    }
}
