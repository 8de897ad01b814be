<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Working;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Tests\Reference;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Line;
use Welkion\Core\Working\TitrationEntries;
use Welkion\Core\Working\TitrationWorking;

final class TitrationWorkingTest extends TestCase
{
    public function test_works_out_the_sour_whey_of_the_reference(): void
    {
        $truth = Reference::truths('titration')['t03-sour-whey.csv']['truth'];

        [$volume, $half, $amount, $concentration, $mass] = self::lines('t03-sour-whey.csv');

        $coarse = $truth['equivalence_volumes']['tolerance_coarse'][0];
        self::assertEqualsWithDelta($truth['equivalence_volumes']['value'][0], $volume->result?->value, $coarse);
        self::assertEqualsWithDelta($truth['half_equivalence_pH']['value'][0], $half->result?->value, $truth['half_equivalence_pH']['tolerance'][0]);
        // The coarse volume tolerance carried over: c = c(titrant) V / V(sample).
        $tolerance = $coarse * 0.0985 / 50.0;
        self::assertEqualsWithDelta($truth['analyte_concentration']['value'], $concentration->result?->value, $tolerance);
        self::assertEqualsWithDelta($truth['analyte_concentration']['value'] * 90.08, $mass->result?->value, $tolerance * 90.08);
        self::assertSame(['mL', 'pH', 'mmol', 'mol/L', 'g/L'], array_map(
            static fn (Line $line): ?string => $line->result?->unit->symbol, [$volume, $half, $amount, $concentration, $mass],
        ));
    }

    public function test_shows_the_formula_with_numbers_put_in_and_what_each_line_rests_on(): void
    {
        $lines = self::lines('t03-sour-whey.csv');

        self::assertMatchesRegularExpression('/^0\.0985 mol\/L × 20\.9\d\d? mL × 1$/u', $lines[2]->numbers);
        self::assertSame([[], ['equivalence-volume'], ['equivalence-volume'], ['amount'], ['concentration']], array_column($lines, 'uses'));
    }

    public function test_rounds_only_what_is_shown(): void
    {
        [$volume, , $amount, $concentration] = self::lines('t03-sour-whey.csv');

        // Multiplying the full values again may differ in the last bits only.
        self::assertEqualsWithDelta(0.0985 * (float) $volume->result?->value, $amount->result?->value, 1e-12);
        self::assertEqualsWithDelta((float) $amount->result?->value / 50.0, $concentration->result?->value, 1e-12);
    }

    public function test_says_what_is_missing_and_still_shows_the_rest(): void
    {
        $lines = self::lines('t03-sour-whey.csv', molarMass: null, sampleVolume: null);

        self::assertNotNull($lines[2]->result);
        self::assertSame('Type the sample volume.', $lines[3]->needs);
        self::assertSame('Type the molar mass.', $lines[4]->needs);
    }

    public function test_warns_of_coarse_steps_with_the_span_to_refine(): void
    {
        [$volume] = self::lines('t01-tank-rinse.csv');

        self::assertSame(['coarse-steps'], array_column($volume->warnings, 'code'));
        self::assertSame('Steps of 0.50 mL across the jump.', $volume->warnings[0]->title);
        // Half a step spread evenly: 0.5 / sqrt(12) = 0.144 mL, and a little for the burette.
        self::assertStringContainsString('± 0.14 mL; take 0.10 mL steps between 17.0 and 17.5 mL', $volume->warnings[0]->text);
    }

    public function test_a_span_chooses_between_two_jumps(): void
    {
        $truth = Reference::truths('titration')['t05-washing-soda.csv']['truth']['equivalence_volumes'];

        $first = self::lines('t05-washing-soda.csv')[0];
        $second = self::lines('t05-washing-soda.csv', span: [20.0, 28.0])[0];
        $none = self::lines('t05-washing-soda.csv', span: [14.0, 18.0])[0];

        self::assertContains('several-jumps', array_column($first->warnings, 'code'));
        self::assertEqualsWithDelta($truth['value'][0], $first->result?->value, $truth['tolerance_coarse'][0]);
        self::assertEqualsWithDelta($truth['value'][1], $second->result?->value, $truth['tolerance_coarse'][1]);
        self::assertSame('No jump lies inside the span. Move it over the steep part, or clear it.', $none->needs);
    }

    public function test_without_readings_every_line_says_what_it_waits_for(): void
    {
        $lines = (new TitrationWorking)->lines(null, null, self::entries(), 0.01);

        self::assertSame([null, null, null, null, null], array_column($lines, 'result'));
        self::assertSame('At least 5 readings at different volumes are needed. Record a run first.', $lines[0]->needs);
        self::assertSame('Needs line ①.', $lines[2]->needs);
    }

    public function test_a_half_equivalence_of_a_strong_acid_is_not_passed_off_as_its_pka(): void
    {
        self::assertSame(['not-weak'], array_column(self::lines('t01-tank-rinse.csv')[1]->warnings, 'code'));
    }

    /**
     * @param  array{float, float}|null  $span
     * @return list<Line>
     */
    private static function lines(string $file, ?float $molarMass = 90.08, ?float $sampleVolume = 50.0, ?array $span = null): array
    {
        [$volumes, $ph] = Reference::columns('titration', $file);

        return (new TitrationWorking)->lines(TitrationCurve::of($volumes, $ph), $span, self::entries($molarMass, $sampleVolume), 0.01);
    }

    private static function entries(?float $molarMass = 90.08, ?float $sampleVolume = 50.0): TitrationEntries
    {
        $of = static fn (?float $value, string $unit): ?Measured => $value === null ? null : Measured::of($value, 0.0, Unit::parse($unit));

        return new TitrationEntries('NaOH', 'whey', 'lactic acid', $of(0.0985, 'mol/L'), $of($sampleVolume, 'mL'), $of(1.0, ''), $of($molarMass, 'g/mol'));
    }
}
