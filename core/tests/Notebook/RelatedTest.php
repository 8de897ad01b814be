<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Notebook\Line;
use Welkion\Core\Notebook\Related;
use Welkion\Core\Notebook\RunsTable;
use Welkion\Core\Notebook\Span;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class RelatedTest extends TestCase
{
    public function test_points_in_the_span_that_count_are_looked_at_and_those_set_aside_there_are_told(): void
    {
        $t = array_map(floatval(...), range(0, 19));
        $in = self::notebook($t, array_map(static fn (float $at): float => 3.0 * $at + 1.0, $t), [2 => 'stirred', 3 => 'stirred', 7 => 'bumped', 19 => 'late']);
        $all = Related::of($in, 1, 't', 'h', null);
        $part = Related::of($in, 1, 't', 'h', new Span('t', 5.0, 10.0));

        self::assertSame([16, 4], [$all->n, $all->setAside]);
        self::assertSame([5, 1, [[5.0, 6.0, 8.0, 9.0, 10.0], [16.0, 19.0, 25.0, 28.0, 31.0]]], [$part->n, $part->setAside, $part->points()]);
        self::assertSame(Relation::Linear, $part->relations()[0]->relation);
        [$outcome, $looked] = $part->one(['relation' => 'linear', 'formula' => '']);
        self::assertEqualsWithDelta([3.0, 1.0, 5], [$outcome->values['a']->value, $outcome->values['b']->value, $looked], 1e-12);
    }

    public function test_what_is_tried_has_the_uncertainty_its_line_will_have(): void
    {
        $slope = Source::named('cal', 'slope of the calibration');
        $t = [0.0, 1.0, 2.0, 3.0, 4.0];
        $h = [0.1, 2.0, 4.1, 5.9, 8.0];
        // The calibration moves every height by a tenth of it, and the slope of the line likewise.
        $rows = ['t' => new ColumnInput('t', Unit::parse('min'), $t), 'h' => new ColumnInput('h', Unit::parse('mm'), $h, null, [[$slope, array_map(static fn (float $v): float => $v / 10.0, $h)]])];
        $line = new Line('rise', 'Rise', 'relation', true, ['x' => 't', 'y' => 'h'], ['relation' => 'linear']);
        $in = new WorkedNotebook(Notebooks::of([], [Notebooks::column('t', 'min'), Notebooks::column('h', 'mm')], [$line], Notebooks::run(1, $rows)));
        $tried = Related::of($in, 1, 't', 'h', null)->one(['relation' => 'linear'])[0]->values['a'];

        self::assertEqualsWithDelta($in->line('rise', 1)->result()?->uncertainty, $tried->uncertainty, 1e-12);
        self::assertGreaterThan($tried->value / 10.0, $tried->uncertainty);
    }

    public function test_of_very_many_points_some_are_looked_at(): void
    {
        $t = array_map(static fn (int $i): float => $i / 100.0, range(0, 19_999));
        $related = Related::of(self::notebook($t, array_map(static fn (float $at): float => 5.0 * exp(-$at / 40.0), $t)), 1, 't', 'h', null);

        self::assertSame(20_000, $related->n);
        self::assertLessThanOrEqual(201, count($related->points()[0]));
        self::assertGreaterThanOrEqual(200, count($related->points()[0]));
        self::assertSame(Relation::ExponentialGrowth, $related->relations()[0]->relation);
        [$outcome, $looked] = $related->one(['relation' => 'exponential_growth']);
        self::assertEqualsWithDelta(-1.0 / 40.0, $outcome->values['b']->value, 1e-9);
        self::assertEqualsWithDelta(2000, $looked, 1);
    }

    public function test_the_curve_is_told_where_a_search_would_begin_when_all_constants_are(): void
    {
        $related = Related::of(self::notebook([0.0, 1.0, 2.0, 3.0], [1.0, 3.0, 5.0, 7.1]), 1, 't', 'h', null);
        $begun = $related->begun(['relation' => 'linear', 'start' => 'a = 2', 'held' => 'b = 10']);

        self::assertNotNull($begun);
        self::assertSame([0.0, 3.0, 10.0, 16.0], [$begun->x[0], $begun->x[120], $begun->y[0], $begun->y[120]]);
        self::assertNull($related->begun(['relation' => 'linear', 'start' => 'a = 2']));
        self::assertSame(['a', 'k'], $related->constants('', 'a*exp(-k*t)'));
    }

    public function test_a_column_that_cannot_be_worked_out_says_so(): void
    {
        $in = new WorkedNotebook(Notebooks::of([], [Notebooks::column('t'), Notebooks::column('h', formula: '1/nothing')], [], Notebooks::run(1, ['t' => [1.0, 2.0]])));
        $this->expectException(InvalidQuantity::class);
        Related::of($in, 1, 't', 'h', null);
    }

    public function test_the_constants_of_a_curve_are_columns_of_the_runs_and_other_lines_are_one(): void
    {
        $t = [0.0, 1.0, 2.0, 3.0];
        $fit = new Line('rise', 'Rise', 'relation', true, ['x' => 't', 'y' => 'h'], ['relation' => 'linear']);
        $mean = new Line('m', 'Mean', 'statistics', true, ['column' => 'h']);
        $table = new RunsTable(new WorkedNotebook(Notebooks::of([], [Notebooks::column('t', 'min'), Notebooks::column('h', 'mm')], [$fit, $mean],
            Notebooks::run(1, self::rows($t, [1.0, 3.0, 5.0, 7.0]), condition: 'warm'), Notebooks::run(2, self::rows($t, [2.0, 3.0, 4.0, 5.0]), condition: 'warm'))));

        self::assertSame(['rise', 'rise.b', 'm'], $table->symbols());
        self::assertEqualsWithDelta([2.0, 1.0, 1.0, 2.0], [$table->value('rise', 1)?->value, $table->value('rise.b', 1)?->value, $table->value('rise', 2)?->value, $table->value('rise.b', 2)?->value], 1e-12);
        self::assertSame('mm', $table->units()['rise.b']->symbol);
        self::assertEqualsWithDelta(1.5, $table->grouped('rise.b')[0]->mean, 1e-12);
        // A curve that finds no answer anywhere still has its place.
        $none = new RunsTable(new WorkedNotebook(Notebooks::of([], [Notebooks::column('t'), Notebooks::column('h')], [$fit], Notebooks::run(1, ['t' => [1.0], 'h' => [1.0]]))));
        self::assertSame(['rise'], $none->symbols());
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $h
     * @param  array<int, string>  $aside
     */
    private static function notebook(array $t, array $h, array $aside = []): WorkedNotebook
    {
        return new WorkedNotebook(Notebooks::of([], [Notebooks::column('t', 'min'), Notebooks::column('h', 'mm')], [], Notebooks::run(1, self::rows($t, $h), $aside)));
    }

    /**
     * @param  list<float>  $t
     * @param  list<float>  $h
     * @return array<string, ColumnInput>
     */
    private static function rows(array $t, array $h): array
    {
        return ['t' => new ColumnInput('t', Unit::parse('min'), $t), 'h' => new ColumnInput('h', Unit::parse('mm'), $h)];
    }
}
