<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\Line;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\Protocol;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\Span;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Tests\Reference;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Outcome;

/** The titration as a protocol of data, and the methods it uses. */
final class TitrationNotebookTest extends TestCase
{
    public function test_works_out_the_sour_whey_of_the_reference(): void
    {
        $truth = Reference::truths('titration')['t03-sour-whey.csv']['truth'];

        [$volume, $half, $amount, $concentration, $mass] = self::lines('t03-sour-whey.csv');

        $coarse = $truth['equivalence_volumes']['tolerance_coarse'][0];
        self::assertEqualsWithDelta($truth['equivalence_volumes']['value'][0], $volume->result()?->value, $coarse);
        self::assertEqualsWithDelta($truth['half_equivalence_pH']['value'][0], $half->result()?->value, $truth['half_equivalence_pH']['tolerance'][0]);
        // The coarse volume tolerance carried over: c = c(titrant) V / V(sample).
        $tolerance = $coarse * 0.0985 / 50.0;
        self::assertEqualsWithDelta($truth['analyte_concentration']['value'], $concentration->result()?->value, $tolerance);
        self::assertEqualsWithDelta($truth['analyte_concentration']['value'] * 90.08, $mass->result()?->value, $tolerance * 90.08);
        self::assertSame(['mL', 'pH', 'mmol', 'mol/L', 'g/L'], array_map(
            static fn (WorkedLine $line): ?string => $line->result()?->unit->symbol, [$volume, $half, $amount, $concentration, $mass],
        ));
        // Values pass from line to line unrounded.
        self::assertEqualsWithDelta(0.0985 * (float) $volume->result()?->value, $amount->result()?->value, 1e-12);
        self::assertEqualsWithDelta((float) $amount->result()?->value / 50.0, $concentration->result()?->value, 1e-12);
    }

    public function test_a_formula_is_told_in_symbols_and_with_numbers(): void
    {
        $explanation = self::lines('t03-sour-whey.csv')[2]->outcome?->explanation;

        self::assertSame(['kind' => 'times', 'parts' => [
            ['kind' => 'times', 'parts' => [['kind' => 'symbol', 'text' => 'c'], ['kind' => 'symbol', 'text' => 'Veq']]], ['kind' => 'symbol', 'text' => 'r'],
        ]], $explanation?->symbols->toArray());
        $numbers = $explanation?->numbers?->toArray()['parts'];
        self::assertSame([['kind' => 'number', 'text' => '0.0985', 'unit' => 'mol/L'], ['kind' => 'number', 'text' => '1']], [$numbers[0]['parts'][0], $numbers[1]]);
        self::assertMatchesRegularExpression('/^20\.9\d\d?$/', $numbers[0]['parts'][1]['text']);
    }

    public function test_says_what_is_missing_and_still_shows_the_rest(): void
    {
        $lines = self::lines('t03-sour-whey.csv', typed: ['M' => null, 'V0' => null]);

        self::assertNotNull($lines[2]->result());
        self::assertSame('Type the volume of the sample.', $lines[3]->needs);
        self::assertSame('Type the molar mass of the analyte.', $lines[4]->needs);
        $empty = self::lines(null);
        self::assertSame('At least 5 readings at different volumes are needed. Record a run first.', $empty[0]->needs);
        self::assertSame(['Needs line ①.', 'Needs line ①.', 'Needs line ③.', 'Needs line ④.'], array_column(array_slice($empty, 1), 'needs'));
    }

    public function test_warns_of_coarse_steps_and_of_a_strong_acid(): void
    {
        [$volume, $half] = self::lines('t01-tank-rinse.csv');

        self::assertSame(['coarse-steps'], self::codes($volume->outcome));
        self::assertSame('Steps of 0.50 mL across the jump.', $volume->outcome?->warnings[0]->title);
        // Half a step spread evenly: 0.5 / sqrt(12) = 0.144 mL, and a little for the burette.
        self::assertStringContainsString('± 0.14 mL; take 0.10 mL steps between 17.0 and 17.5 mL', (string) $volume->outcome?->warnings[0]->text);
        self::assertSame(['not-weak'], self::codes($half->outcome));
        self::assertSame([], self::codes(self::lines('t03-sour-whey.csv')[1]->outcome));
    }

    public function test_a_span_chooses_between_two_jumps(): void
    {
        $truth = Reference::truths('titration')['t05-washing-soda.csv']['truth']['equivalence_volumes'];

        $first = self::lines('t05-washing-soda.csv')[0];
        $second = self::lines('t05-washing-soda.csv', [20.0, 28.0])[0];

        self::assertContains('several-jumps', self::codes($first->outcome));
        self::assertEqualsWithDelta($truth['value'][0], $first->result()?->value, $truth['tolerance_coarse'][0]);
        self::assertEqualsWithDelta($truth['value'][1], $second->result()?->value, $truth['tolerance_coarse'][1]);
        self::assertNotContains('several-jumps', self::codes($second->outcome));
        self::assertSame(['equivalence', 'another jump'], array_map(static fn ($m): string => $m->label, $first->outcome->marks ?? []));
        self::assertSame(['another jump', 'equivalence'], array_map(static fn ($m): string => $m->label, $second->outcome->marks ?? []));
        self::assertSame('No jump lies inside the span. Move it over the steep part, or clear it.', self::lines('t05-washing-soda.csv', [14.0, 18.0])[0]->needs);
        // The second is counted from the first.
        [$volumes, $ph] = Reference::columns('titration', 't05-washing-soda.csv');
        $between = self::work('half-equivalence', $volumes, $ph, ['volume' => $second->result(), 'before' => $first->result()]);
        self::assertEqualsWithDelta(((float) $first->result()?->value + (float) $second->result()?->value) / 2.0, $between->values['volume']->value, 1e-9);
    }

    public function test_volumes_may_be_told_in_any_unit(): void
    {
        [$volumes, $ph] = Reference::columns('titration', 't03-sour-whey.csv');
        $litres = array_map(static fn (float $v): float => $v / 1000.0, $volumes);
        $in = self::work('equivalence', $volumes, $ph)->values['volume'];
        $also = self::work('equivalence', $litres, $ph, unit: 'L')->values['volume'];

        self::assertSame('L', $also->unit->symbol);
        self::assertEqualsWithDelta([$in->value, $in->uncertainty], [$also->in($in->unit)->value, $also->in($in->unit)->uncertainty], 1e-9);
        self::assertEqualsWithDelta($in->value, self::work('equivalence', $litres, $ph, unit: 'L', span: [0.02, 0.022])->values['volume']->in($in->unit)->value, 1e-9);
        $half = self::work('half-equivalence', $litres, $ph, ['volume' => $also], unit: 'L')->values;
        self::assertEqualsWithDelta($in->value / 2000.0, $half['volume']->value, 1e-12);
    }

    public function test_the_whole_curve_refines_the_volume(): void
    {
        foreach (['t03-sour-whey.csv', 't02-cider-vinegar.csv'] as $file) {
            $truth = Reference::truths('titration')[$file]['truth']['equivalence_volumes'];
            [$volumes, $ph] = Reference::columns('titration', $file);
            $refined = self::work('refined-equivalence', $volumes, $ph);
            self::assertEqualsWithDelta($truth['value'][0], $refined->values['volume']->value, 4.0 * $refined->values['volume']->uncertainty, $file);
            self::assertNotSame([], $refined->lists['pKa']->values);
        }
        [$volumes, $ph] = Reference::columns('titration', 't03-sour-whey.csv');
        self::assertStringContainsString('No jump lies inside', (string) self::work('refined-equivalence', $volumes, $ph, span: [1.0, 2.0])->needs);
        self::assertStringContainsString('No jump stands out', (string) self::work('refined-equivalence', array_slice($volumes, 0, 6), array_slice($ph, 0, 6))->needs);
        self::assertStringContainsString('At least 5 readings', (string) self::work('refined-equivalence', [1.0], [7.0])->needs);
    }

    public function test_the_half_way_ph_errs_with_the_reading_and_with_the_volume(): void
    {
        [$volumes, $ph] = Reference::columns('titration', 't03-sour-whey.csv');
        $y = new ColumnInput('pH', Unit::parse('pH'), $ph, array_fill(0, count($ph), 0.03), [[Source::named('calibration', 'calibration'), array_fill(0, count($ph), 0.04)]]);
        $volume = Measured::of(20.9, 1.0, Unit::parse('mL'), Source::named('V', 'volume'));
        $half = Methods::find('half-equivalence')?->work(new Inputs(['x' => new ColumnInput('V', Unit::parse('mL'), $volumes), 'y' => $y], ['volume' => $volume]))->values['pH'];

        self::assertSame(['volume'], array_values(array_intersect(array_keys($half?->shares->percent() ?? []), ['volume'])));
        self::assertGreaterThan(0.05, $half?->uncertainty, 'Reading and calibration together are 0.05.');
        $sure = Methods::find('half-equivalence')?->work(new Inputs(['x' => new ColumnInput('V', Unit::parse('mL'), $volumes), 'y' => $y], ['volume' => Measured::of(20.9, 0.0, Unit::parse('mL'))]))->values['pH'];
        self::assertEqualsWithDelta(0.05, $sure?->uncertainty, 1e-12);
        self::assertGreaterThanOrEqual(0.01, self::work('half-equivalence', $volumes, $ph, ['volume' => Measured::of(20.9, 0.0, Unit::parse('mL'))])->values['pH']->uncertainty, 'A file knows nothing of its readings.');
        self::assertSame('No reading was taken before half the equivalence volume.', self::work('half-equivalence', array_slice($volumes, 15), array_slice($ph, 15), ['volume' => $volume])->needs);
    }

    public function test_proposes_finer_steps_near_the_jump(): void
    {
        $ph = [2.63, 3.00, 3.27, 3.48, 3.66, 3.84, 4.01, 4.19, 4.39, 4.65, 5.21];
        $volumes = array_map(floatval(...), range(0, 10));
        $millilitres = static fn (float $v): Measured => Measured::of($v, 0.0, Unit::parse('mL'));
        $near = self::work('finer-steps', $volumes, $ph, ['next' => $millilitres(11.0), 'last' => $millilitres(20.0)]);

        self::assertSame([0.1, 10.0, 12.0], [$near->values['step']->value, $near->values['from']->value, $near->values['to']->value]);
        self::assertSame(['jump-near'], self::codes($near));
        self::assertNotNull(self::work('finer-steps', array_slice($volumes, 0, 6), array_slice($ph, 0, 6), ['next' => $millilitres(6.0), 'last' => $millilitres(20.0)])->needs);
    }

    /** @return list<string> */
    private static function codes(?Outcome $outcome): array
    {
        return array_map(static fn (Warning $w): string => $w->code, $outcome->warnings ?? []);
    }

    /**
     * @param  list<float>  $volumes
     * @param  list<float>  $ph
     * @param  array<string, Measured|null>  $numbers
     * @param  array{float, float}|null  $span
     */
    private static function work(string $method, array $volumes, array $ph, array $numbers = [], string $unit = 'mL', ?array $span = null): Outcome
    {
        $inputs = new Inputs(['x' => new ColumnInput('V', Unit::parse($unit), $volumes), 'y' => new ColumnInput('pH', Unit::parse('pH'), $ph)], array_filter($numbers), spans: $span === null ? [] : ['span' => $span]);

        return Methods::find($method)?->work($inputs) ?? self::fail("There is no method {$method}.");
    }

    /**
     * @param  array{float, float}|null  $span
     * @param  array<string, null>  $typed  what is not typed
     * @return list<WorkedLine>
     */
    private static function lines(?string $file, ?array $span = null, array $typed = []): array
    {
        [$volumes, $ph] = $file === null ? [[], []] : Reference::columns('titration', $file);
        $of = static fn (float $value, string $unit): Measured => Measured::of($value, 0.0, Unit::parse($unit));
        $data = new RunData(count($volumes), [
            'V' => new ColumnInput('V', Unit::parse('mL'), $volumes), 'pH' => new ColumnInput('pH', Unit::parse('pH'), $ph, array_fill(0, count($ph), 0.01)),
        ]);
        $protocol = Protocol::read((string) file_get_contents(__DIR__.'/../../../resources/protocols/titration.json'));
        $plain = $protocol->notebook(array_diff_key(['c' => $of(0.0985, 'mol/L'), 'V0' => $of(50.0, 'mL'), 'M' => $of(90.08, 'g/mol')], $typed), [new Run(7, 1, 'Run 1', null, null, '', static fn (): RunData => $data)]);
        $lines = array_map(static fn (Line $l): Line => $l->symbol !== 'Veq' || $span === null ? $l : new Line(
            $l->symbol, $l->title, $l->method, true, $l->uses, span: new Span('V', $span[0], $span[1]),
        ), array_values($plain->lines));
        $worked = new WorkedNotebook(Notebook::of(array_values($plain->entries), array_values($plain->columns), $lines, array_values($plain->runs)));

        return array_map(static fn (string $symbol): WorkedLine => $worked->line($symbol, 7), ['Veq', 'pKa', 'n', 'c_s', 'beta']);
    }
}
