<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Titration\ConductivityTitration;
use Welkion\Core\Titration\PhTitration;

/** What is said beside a titration, and what it is made of. */
final class PhTitrationTest extends TestCase
{
    public function test_a_curve_that_no_chemistry_describes_keeps_its_jump_and_says_so(): void
    {
        $chance = new Chance(4);
        $volumes = range(0.0, 20.0, 0.25);
        // Flat on both sides of its jump, as no acid is.
        $titration = PhTitration::of($volumes, array_map(static fn (float $v): float => 7.0 + 3.0 * tanh(($v - 10.3) / 0.2) + 0.005 * $chance->normal(), $volumes));

        self::assertNull($titration->refined);
        self::assertCount(1, $titration->jumps);
        self::assertEqualsWithDelta(10.3, $titration->jumps[0]->volume->value, 0.1);
        self::assertSame($titration->jumps[0]->volume, $titration->volume(0));
        self::assertSame('The balance of charges does not describe this curve. The volumes rest on the points around each jump alone.',
            self::warnings($titration)['not-refined'] ?? '');
    }

    public function test_a_slow_electrode_is_named_and_its_shift_taken_out(): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(5), [4.87], 12.4, 0.1, 0.01, lag: 0.4);
        $titration = PhTitration::of($volumes, $ph);

        self::assertEqualsWithDelta(0.4, $titration->refined?->lag, 0.02);
        self::assertMatchesRegularExpression('/^The electrode still missed about (39|40|41) % of each change\. /', self::warnings($titration)['slow-electrode'] ?? '');
        // Left in, the lag would shift the jump by 0.4 / 0.6 of a step.
        self::assertEqualsWithDelta(12.4, $titration->jumps[0]->volume->value, 0.02);
    }

    public function test_coarse_steps_are_told_with_what_finer_ones_would_need(): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(6), [4.756], 13.4, 1.0, 0.01);
        $warning = self::warnings(PhTitration::of($volumes, $ph))['coarse-steps'] ?? '';

        self::assertMatchesRegularExpression('/^Steps of 1\.00 mL across the jump\. Read between two readings the equivalence volume is no better than ± 0\.[23]\d mL; take 0\.10 mL steps between 1[23]\.\d and 1[34]\.\d mL\.$/u', $warning);
    }

    public function test_the_ph_half_way_to_each_jump_is_the_pka_of_its_group(): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(7), [2.9, 7.2], 8.2, 0.2, 0.005);
        $titration = PhTitration::of($volumes, $ph);

        self::assertCount(2, $titration->halves);
        self::assertEqualsWithDelta(1.5 * 8.2, $titration->halves[1]->volume->value, 0.05);
        self::assertEqualsWithDelta(7.2, $titration->halves[1]->ph->value, 0.03);
        self::assertEqualsWithDelta([2.9, 7.2], $titration->refined?->pKs, 0.02);
    }

    public function test_a_base_has_the_pka_of_its_partner_acid(): void
    {
        // Ammonia: pKb 4.754, so its partner ammonium has 9.246.
        [$volumes, $ph] = SimulatedTitration::of(new Chance(8), [4.754], 15.1, 0.2, 0.005, isBase: true);
        $titration = PhTitration::of($volumes, $ph);

        self::assertEqualsWithDelta([9.246], $titration->refined?->pKs, 0.01);
        self::assertEqualsWithDelta(9.246, $titration->halves[0]->ph->value, 0.03);
    }

    public function test_three_jumps_are_three_rows_in_both_directions(): void
    {
        foreach ([false, true] as $isBase) {
            [$volumes, $ph] = SimulatedTitration::of(new Chance(3), [2.0, 5.5, 9.0], 7.3, 0.25, 0.008, isBase: $isBase);
            $titration = PhTitration::of($volumes, $ph);

            self::assertCount(3, $titration->jumps);
            foreach ([7.3, 14.6, 21.9] as $place => $true) {
                self::assertEqualsWithDelta($true, $titration->jumps[$place]->volume->value, 3.0 * $titration->jumps[$place]->volume->uncertainty);
                self::assertEqualsWithDelta($true, $titration->volume($place)->value, 3.0 * $titration->volume($place)->uncertainty);
                self::assertLessThan(0.01, $titration->volume($place)->uncertainty);
            }
        }
    }

    public function test_a_typed_titrant_and_sample_only_sharpen_the_answer(): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(9), [], 14.7, 0.5, 0.01, titrant: 0.1, sample: 40.0);
        $alone = PhTitration::of($volumes, $ph)->volume(0);
        $typed = PhTitration::of($volumes, $ph, 0.1, 25.0)->volume(0);

        self::assertLessThanOrEqual($alone->uncertainty * 1.05, $typed->uncertainty);
        self::assertEqualsWithDelta($alone->value, $typed->value, 2.0 * $alone->uncertainty);
    }

    public function test_a_burette_error_widens_every_jump(): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(10), [4.756], 13.4, 0.25, 0.01);

        self::assertLessThan(0.01, PhTitration::of($volumes, $ph)->jumps[0]->volume->uncertainty);
        self::assertGreaterThan(0.02, PhTitration::of($volumes, $ph, volumeUncertainty: 0.02)->jumps[0]->volume->uncertainty);
    }

    public function test_what_is_no_titration_is_refused_in_words(): void
    {
        foreach ([
            [static fn () => PhTitration::of([1.0, 2.0], [3.0]), UnequalLengths::class, 'The two columns must be of the same length, but have 2 and 1 values.'],
            [static fn () => PhTitration::of([1.0, 2.0, 3.0], [3.0, 4.0, 5.0]), NotEnoughPoints::class, 'A titration curve needs at least 5 points at different places, but there are 3.'],
            [static fn () => PhTitration::of([0.0, 1.0, 2.0, 3.0, NAN], [3.0, 4.0, 5.0, 6.0, 7.0]), InvalidQuantity::class, 'The value of every point must be an ordinary number.'],
            [static fn () => ConductivityTitration::of([1.0, 2.0, 3.0], [1.0, 2.0, 3.0]), NotEnoughPoints::class, 'A conductometric titration needs at least 8 points at different places, but there are 3.'],
            [static fn () => ConductivityTitration::of(range(0.0, 9.0), [1.0, 2.0, 3.0, 0.0, 1.0, 1.0, 1.0, 1.0, 1.0, 1.0]), InvalidQuantity::class, 'The conductivity must be above 0, but 0 was given.'],
        ] as [$act, $class, $sentence]) {
            try {
                $act();
                self::fail("Accepted: {$sentence}");
            } catch (\Exception $error) {
                self::assertInstanceOf($class, $error);
                self::assertSame($sentence, $error->getMessage());
            }
        }
    }

    /** @return array<string, string> by code */
    private static function warnings(PhTitration $titration): array
    {
        $warnings = [];
        foreach ($titration->warnings as $warning) {
            $warnings[$warning->code] = $warning->sentence();
        }

        return $warnings;
    }

    public function test_readings_that_scatter_as_they_should_are_all_believed(): void
    {
        $chance = new Chance(31);
        for ($i = 0; $i < 12; $i++) {
            $titration = PhTitration::of(...SimulatedTitration::of($chance, [$chance->between(3.5, 5.5)], $chance->between(9.0, 15.0), 0.5, 0.01));

            self::assertSame([], $titration->refined?->left);
            self::assertSame(0.0, $titration->refined->lag);
        }
    }

    public function test_the_straight_line_of_a_strong_base_needs_to_know_where_it_began(): void
    {
        $base = SimulatedTitration::of(new Chance(6), [], 14.2, 0.25, 0.01, sample: 40.0, isBase: true);

        self::assertNull(PhTitration::of(...$base)->gran);
        $gran = PhTitration::of(...[...$base, null, 40.0])->gran;
        self::assertNotNull($gran);
        self::assertEqualsWithDelta(14.2, $gran->value, 4.0 * $gran->uncertainty + 0.02);
    }
}
