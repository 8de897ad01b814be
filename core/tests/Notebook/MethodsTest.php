<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\MissingInput;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;
use Welkion\Core\Working\SlotKind;

/** Every method takes and gives what it declares, and the general ones are right. */
final class MethodsTest extends TestCase
{
    private const X = [0.0, 1.0, 2.0, 3.0, 4.0, 5.0];

    private const Y = [10.0, 12.1, 13.9, 16.0, 18.2, 19.9];

    public function test_every_method_takes_and_gives_what_it_declares(): void
    {
        $keys = [];
        foreach (Methods::all() as $method) {
            $told = $method->declaration();
            $keys[] = $told->key;
            foreach ([$told->name, $told->sentence, $told->source, ...array_map(static fn ($s): string => $s->words, $told->inputs), ...array_values($told->outcomes)] as $words) {
                self::assertNotSame('', $words, $told->key);
            }
            $columns = $numbers = $texts = [];
            foreach ($told->inputs as $slot) {
                match ($slot->kind) {
                    SlotKind::Column => $columns[$slot->name] = self::example($slot),
                    SlotKind::Number, SlotKind::Run => $numbers[$slot->name] = self::typed($slot, $columns),
                    SlotKind::Span, SlotKind::Result => null,
                    SlotKind::Text => $texts[$slot->name] = $slot->choices === [] ? $slot->default ?? ($slot->isRequired ? 'a/b' : '') : 'linear',
                    SlotKind::Values => $numbers += ['a' => self::measured(2.0, 0.1), 'b' => self::measured(4.0, 0.1)],
                };
            }
            if ($told->key === 'finer-steps') {
                // It looks ahead: the jump has not come yet.
                $columns = array_map(static fn (ColumnInput $c): ColumnInput => $c->only(range(0, 10)), $columns);
            }
            $outcome = $method->work(new Inputs($columns, $numbers, array_filter($texts, static fn (string $t): bool => $t !== '')));
            self::assertNull($outcome->needs, $told->key);
            self::assertNotSame('', $outcome->formula, $told->key);
            self::assertNotNull($outcome->explanation, $told->key);
            if ($told->outcomes !== []) {
                self::assertSame(array_keys($told->outcomes), array_keys($outcome->values), $told->key);
            }
            self::assertSame(array_keys($told->lists), array_keys($outcome->lists), $told->key);
            self::assertSame($told->key, Methods::find($told->key)?->declaration()->key);
            foreach (array_filter($told->inputs, static fn ($s): bool => $s->kind === SlotKind::Column) as $slot) {
                try {
                    $method->work(new Inputs(array_diff_key($columns, [$slot->name => true]), $numbers, array_filter($texts)));
                    self::fail("{$told->key} works without {$slot->name}.");
                } catch (MissingInput $missing) {
                    self::assertSame("The input \"{$slot->name}\" is missing.", $missing->getMessage());
                }
                self::assertSame($slot, $told->slot($slot->name));
            }
        }
        self::assertSame(['formula', 'statistics', 'slope', 'area', 'value-at', 'x-at', 'difference', 'ends', 'tangent', 'constancy', 'relation', 'accepted', 'two-runs', 'equivalence', 'half-equivalence', 'refined-equivalence', 'finer-steps'], $keys);
        self::assertNull(Methods::find('divination'));
    }

    /** A column of what the slot measures: for volume and pH a weak acid before and at its jump, else a line. */
    private static function example(Slot $slot): ColumnInput
    {
        $ph = [2.63, 3.00, 3.27, 3.48, 3.66, 3.84, 4.01, 4.19, 4.39, 4.65, 5.21, 11.16, 11.60, 11.80];

        return match ($slot->unit) {
            'mL' => new ColumnInput('V', Unit::parse('mL'), array_map(floatval(...), range(0, count($ph) - 1))),
            'pH' => new ColumnInput('pH', Unit::parse('pH'), $ph),
            default => new ColumnInput($slot->name, Unit::parse($slot->name === 'x' ? 's' : 'g'), $slot->name === 'x' ? self::X : self::Y),
        };
    }

    /** @param  array<string, ColumnInput>  $columns */
    private static function typed(Slot $slot, array $columns): Measured
    {
        $unit = $slot->unitOf === null ? $slot->unit : $columns[$slot->unitOf]->unit->symbol;

        return Measured::of(['volume' => 10.5, 'before' => 0.0, 'next' => 14.0, 'last' => 20.0, 'titrant' => 0.1, 'sample' => 20.0, 'value' => 15.0][$slot->name] ?? 2.5, $slot->name === 'before' ? 0.0 : 0.1, Unit::parse($unit));
    }

    public function test_the_scatter_of_rows_goes_into_an_area_by_the_way_to_their_neighbours(): void
    {
        $work = static fn (array $x): Measured => Methods::find('area')?->work(new Inputs([
            'x' => new ColumnInput('t', Unit::parse('s'), $x), 'y' => new ColumnInput('P', Unit::parse('W'), [2.0, 2.0, 2.0, 2.0], [0.1, 0.2, 0.1, 0.3]),
        ]))->values['area'] ?? self::fail();

        // Half the way to both neighbours: 0.5, 1.5, 1.5 and 0.5 s.
        self::assertEqualsWithDelta(8.0, $work([0.0, 1.0, 3.0, 4.0])->value, 1e-12);
        self::assertEqualsWithDelta(sqrt(0.05 ** 2 + 0.3 ** 2 + 0.15 ** 2 + 0.15 ** 2), $work([0.0, 1.0, 3.0, 4.0])->uncertainty, 1e-12);
        // In another order the rows are the same.
        self::assertEqualsWithDelta(sqrt(0.05 ** 2 + 0.3 ** 2 + 0.15 ** 2 + 0.15 ** 2), $work([4.0, 3.0, 1.0, 0.0])->uncertainty, 1e-12);
    }

    public function test_a_fit_is_drawn_from_the_first_point_to_the_last(): void
    {
        $marks = self::work('relation', ['x' => [[3.0, 1.0, 2.0, 5.0], 's'], 'y' => [[6.1, 2.0, 4.1, 10.0], 'g']], texts: ['relation' => 'linear'])->marks;

        self::assertSame([1.0, 5.0], [min($marks[0]->x), max($marks[0]->x)]);
    }

    public function test_statistics_of_five_values_by_hand(): void
    {
        $values = self::work('statistics', ['column' => [[2.0, 4.0, 4.0, 5.0, 10.0], '°C']])->values;

        // Squares about the mean 5: 9 + 1 + 1 + 0 + 25 = 36, by 4.
        self::assertSame([5.0, 5.0, 3.0, 2.0, 10.0, 4.0], array_map(static fn (string $n): float => $values[$n]->value, ['mean', 'n', 'sd', 'min', 'max', 'median']));
        self::assertEqualsWithDelta(3.0 / sqrt(5.0), $values['mean']->uncertainty, 1e-14);
        self::assertEqualsWithDelta(3.0 / sqrt(5.0), $values['standardError']->value, 1e-14);
        self::assertEqualsWithDelta(3.0 / sqrt(8.0), $values['sd']->uncertainty, 1e-14, 'sd / sqrt(2 (n - 1))');
        self::assertSame(['°C', '', 'K'], [$values['mean']->unit->symbol, $values['n']->unit->symbol, $values['sd']->unit->symbol]);
        self::assertSame(['scatter of column' => 100.0], $values['mean']->shares->percent());
        // Of normal values the median scatters by sqrt(pi/2) more than the mean.
        self::assertEqualsWithDelta(sqrt(M_PI / 2.0) * 3.0 / sqrt(5.0), $values['median']->uncertainty, 1e-12);
        self::assertEqualsWithDelta(1.0, self::work('statistics', ['column' => [[6.0, 8.0], 'g']])->values['mean']->uncertainty, 1e-12, 'Two values are enough to tell.');
        self::assertSame(0.0, self::work('statistics', ['column' => [[7.0], 'g']])->values['mean']->uncertainty, 'One value says nothing of its scatter.');
    }

    public function test_a_slope_has_its_unit_its_errors_and_a_warning_when_points_bend(): void
    {
        // Draper and Smith's formulas by hand: sxx 17.5, slope 1.991429.
        $line = self::work('slope', ['x' => [self::X, 'min'], 'y' => [self::Y, '°C']]);
        $sxx = 17.5;
        $slope = array_sum(array_map(static fn (float $x, float $y): float => ($x - 2.5) * $y, self::X, self::Y)) / $sxx;
        $rest = array_sum(array_map(static fn (float $x, float $y): float => ($y - array_sum(self::Y) / 6 - $slope * ($x - 2.5)) ** 2, self::X, self::Y));
        self::assertEqualsWithDelta($slope, $line->values['slope']->value, 1e-12);
        self::assertEqualsWithDelta(sqrt($rest / 4.0 / $sxx), $line->values['slope']->uncertainty, 1e-12);
        self::assertSame(['K/min', '°C'], [$line->values['slope']->unit->symbol, $line->values['intercept']->unit->symbol]);
        self::assertSame([], $line->warnings);
        self::assertSame(['scatter of y' => 100.0], $line->values['slope']->shares->percent());
        self::assertEqualsWithDelta(-$rest / 4.0 * 2.5 / $sxx, $line->values['slope']->covarianceWith($line->values['intercept']), 1e-12);

        $x = range(0.0, 20.0, 1.0);
        $bent = self::work('slope', ['x' => [$x, 's'], 'y' => [array_map(static fn (float $v): float => $v ** 2 + sin(7.0 * $v), $x), 'g']]);
        self::assertSame(['bends'], array_column($bent->warnings, 'code'));
        $two = self::work('slope', ['x' => [[0.0, 2.0], 's'], 'y' => [[1.0, 5.0], 'g']])->values['slope'];
        self::assertSame([2.0, 0.0], [round($two->value, 12), $two->uncertainty], 'Two points leave nothing over.');
    }

    public function test_areas_to_zero_to_the_line_between_the_ends_and_to_a_level(): void
    {
        $triangle = ['x' => [[0.0, 1.0, 3.0], 's'], 'y' => [[2.0, 6.0, 4.0], 'W']];
        $area = static fn (string $baseline): Measured => self::work('area', $triangle, texts: ['baseline' => $baseline])->values['area'];

        // Trapezia: (2 + 6)/2 + 2 (6 + 4)/2 = 14.
        self::assertSame([14.0, 'J'], [$area('zero')->value, $area('zero')->unit->symbol]);
        self::assertEqualsWithDelta(14.0 - 3.0 * 3.0, $area('ends')->value, 1e-12);
        self::assertEqualsWithDelta(14.0 - 3.0, $area('1')->value, 1e-12);
        self::assertEqualsWithDelta(14.0 - 3.0 * 2.0, $area('first')->value, 1e-12);
        $this->expectExceptionMessage('The baseline is zero, first, ends or a number, but "sky" was given.');
        $area('sky');
    }

    /** The start is not the smallest, nor the end the largest; rows may stand in any order. */
    public function test_start_and_end_are_those_along_x(): void
    {
        $rows = ['x' => [[10.0, 0.0, 20.0, 20.0, 5.0], 'min'], 'y' => [[90.0, 21.0, 30.0, 25.0, 3.0], 'degC']];
        $ends = self::work('ends', $rows)->values;

        self::assertSame([21.0, 25.0, 4.0, 20.0], [$ends['start']->value, $ends['end']->value, $ends['change']->value, $ends['over']->value]);
        self::assertSame(['°C', '°C', 'K', 'min'], array_map(static fn (string $part): string => $ends[$part]->unit->symbol, ['start', 'end', 'change', 'over']));
        self::assertSame(0.0, $ends['change']->uncertainty);
        self::assertSame([[0.0], [20.0]], array_map(static fn ($mark): array => $mark->x, self::work('ends', $rows)->marks));

        $column = static fn (string $name, array $values, ?array $scatter = null): ColumnInput => new ColumnInput($name, Unit::one(), $values, $scatter);
        $known = (Methods::find('ends') ?? self::fail('There is no such method.'))->work(new Inputs(['x' => $column('x', [0.0, 1.0, 2.0]), 'y' => $column('y', [1.0, 5.0, 4.0], [0.3, 9.0, 0.4])]));
        self::assertEqualsWithDelta(0.5, $known->values['change']->uncertainty, 1e-12, 'Both readings scatter, and what lies between them does not count.');

        self::assertSame(2.0, self::work('ends', ['x' => [[1.0, 2.0], 's'], 'y' => [[3.0, 5.0], 'g']])->values['change']->value);
        $this->expectExceptionMessage('A change from start to end');
        self::work('ends', ['x' => [[1.0], 's'], 'y' => [[1.0], 'g']]);
    }

    public function test_reads_y_at_x_x_at_y_and_changes_with_units_and_the_uncertainty_of_what_was_typed(): void
    {
        $run = ['x' => [[0.0, 10.0, 20.0], 's'], 'y' => [[0.0, 5.0, 1.0], 'g']];
        $y = self::work('value-at', $run, ['at' => Measured::of(0.25, 0.02, Unit::parse('min'))])->values['value'];
        self::assertEqualsWithDelta(3.0, $y->value, 1e-12);
        self::assertEqualsWithDelta(0.4 * 1.2, $y->uncertainty, 1e-12, 'The slope there times the ± of the moment.');

        $x = self::work('x-at', $run, ['value' => Measured::of(2.0, 0.1, Unit::parse('g'))]);
        self::assertEqualsWithDelta(4.0, $x->values['x']->value, 1e-12);
        self::assertEqualsWithDelta(0.2, $x->values['x']->uncertainty, 1e-12);
        self::assertEqualsWithDelta([4.0, 17.5], $x->lists['x']->values, 1e-12);
        self::assertEquals(Mathematics::at(Mathematics::symbol('x'), Mathematics::equals(Mathematics::symbol('y'), Mathematics::value(Measured::of(2.0, 0.1, Unit::parse('g'))))), $x->explanation?->symbols, 'x where y is 2 g.');
        $change = self::work('difference', $run, ['from' => self::measured(5.0, 0.0, 's'), 'to' => self::measured(20.0, 0.0, 's')])->values;
        self::assertEqualsWithDelta([-1.5, 15.0], [$change['dy']->value, $change['dx']->value], 1e-12);

        $warmed = self::work('difference', ['x' => [[0.0, 10.0], 'min'], 'y' => [[21.0, 25.0], 'degC']], ['from' => self::measured(0.0, 0.0, 'min'), 'to' => self::measured(10.0, 0.0, 'min')])->values['dy'];
        self::assertSame([4.0, 'K'], [$warmed->value, $warmed->unit->symbol]);
        foreach ([['value-at', ['at' => self::measured(30.0, 0.0, 's')]], ['x-at', ['value' => self::measured(9.0, 0.0, 'g')]], ['difference', ['from' => self::measured(-1.0, 0.0, 's'), 'to' => self::measured(5.0, 0.0, 's')]]] as [$method, $numbers]) {
            $outside = self::work($method, $run, $numbers);
            self::assertStringContainsString('Choose', (string) $outside->needs, $method);
            self::assertSame([], $outside->values);
        }
    }

    public function test_a_relation_gives_its_constants_by_name(): void
    {
        $x = range(1.0, 9.0, 1.0);
        $y = array_map(static fn (float $v): float => 3.0 * exp(-0.4 * $v) + 0.001 * sin(40.0 * $v), $x);
        $typed = self::work('relation', ['x' => [$x, 's'], 'y' => [$y, 'mL']], texts: ['formula' => 'c*exp(-k*x)'])->values;
        self::assertEqualsWithDelta(3.0, $typed['c']->value, 5.0 * $typed['c']->uncertainty);
        self::assertEqualsWithDelta(0.4, $typed['k']->value, 5.0 * $typed['k']->uncertainty);
        self::assertSame('1/s', $typed['k']->unit->symbol);
        self::assertNotSame(0.0, $typed['c']->covarianceWith($typed['k']));
        foreach ([[[], 'The input "relation" is missing.'], [['relation' => 'linear', 'formula' => 'a*x'], 'The input "relation" is missing.'], [['relation' => 'wavy'], 'There is no relation "wavy".']] as [$texts, $sentence]) {
            try {
                self::work('relation', ['x' => [$x, 's'], 'y' => [$y, 'mL']], texts: $texts);
                self::fail($sentence);
            } catch (CoreException $refused) {
                self::assertStringStartsWith($sentence, $refused->getMessage());
            }
        }
    }

    public function test_a_formula_tells_where_its_uncertainty_comes_from(): void
    {
        $outcome = self::work('formula', numbers: [
            'c' => Measured::of(0.1, 0.001, Unit::parse('mol/L'), Source::named('c', 'titrant')), 'V' => Measured::of(10.0, 0.2, Unit::parse('mL'), Source::named('V', 'burette')),
        ], texts: ['formula' => 'c*V']);

        self::assertEqualsWithDelta(1.0, $outcome->values['value']->inUnit('mmol')->value, 1e-12);
        self::assertSame(['burette', 'titrant'], $outcome->lists['sources']->names);
        self::assertEqualsWithDelta([80.0, 20.0], $outcome->lists['sources']->values, 1e-9);
        self::assertSame([1.0, 0.0], [($same = self::work('formula', numbers: ['a' => self::measured(2.0, 0.1)], texts: ['formula' => 'a/a'])->values['value'])->value, $same->uncertainty]);
    }

    /**
     * @param  array<string, array{list<float>, string}>  $columns  values and unit
     * @param  array<string, Measured>  $numbers
     * @param  array<string, string>  $texts
     */
    public function test_a_value_between_two_rows_has_their_scatter_as_far_as_each_counts(): void
    {
        $at = static function (float $x): float {
            $inputs = new Inputs(['x' => new ColumnInput('x', Unit::parse('s'), [10.0, 0.0, 20.0]), 'y' => new ColumnInput('y', Unit::parse('g'), [5.0, 0.0, 1.0], [0.4, 0.3, 0.6])], ['at' => self::measured($x, 0.0, 's')], []);

            return Methods::find('value-at')?->work($inputs)->values['value']->uncertainty ?? NAN;
        };

        self::assertEqualsWithDelta(hypot(0.75 * 0.3, 0.25 * 0.4), $at(2.5), 1e-12);
        self::assertEqualsWithDelta(hypot(0.3 * 0.4, 0.7 * 0.6), $at(17.0), 1e-12);
        self::assertEqualsWithDelta([0.3, 0.4, 0.6], [$at(0.0), $at(10.0), $at(20.0)], 1e-12);
    }

    private static function work(string $method, array $columns = [], array $numbers = [], array $texts = []): Outcome
    {
        $inputs = [];
        foreach ($columns as $slot => [$values, $unit]) {
            $inputs[$slot] = new ColumnInput($slot, Unit::parse($unit), $values);
        }
        $found = Methods::find($method);
        self::assertNotNull($found);

        return $found->work(new Inputs($inputs, $numbers, $texts));
    }

    private static function measured(float $value, float $uncertainty, string $unit = ''): Measured
    {
        return Measured::of($value, $uncertainty, Unit::parse($unit));
    }
}
