<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Tests\Thorough;
use Welkion\Core\Titration\ConductivityTitration;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\HalfEquivalence;
use Welkion\Core\Titration\PhTitration;
use Welkion\Core\Titration\TitrationCurve;

/** Many titrations with known truth: are the stated uncertainties honest? */
final class CoverageTest extends TestCase
{
    /** pKa, step mL, noise pH, titrations, whether a base, lag of the electrode */
    private const SITUATIONS = [
        'weak acid, fine steps' => [[3.86], 0.1, 0.005, 14, false, 0.0],
        'weak acid, usual steps' => [[4.756], 0.25, 0.01, 40, false, 0.0],
        'weak acid, coarse steps' => [[4.756], 0.5, 0.015, 40, false, 0.0],
        'weak acid, very coarse steps' => [[4.3], 1.0, 0.02, 40, false, 0.0],
        'strong acid' => [[], 0.5, 0.01, 40, false, 0.0],
        'strong base, coarse steps' => [[], 1.0, 0.02, 40, true, 0.0],
        'weak base' => [[4.754], 0.25, 0.015, 30, true, 0.0],
        'two groups, one jump' => [[3.4, 5.13], 0.25, 0.01, 30, false, 0.0],
        'two jumps of a base' => [[3.671, 7.648], 0.5, 0.01, 30, true, 0.0],
        'two jumps, third group hidden' => [[2.15, 7.2, 12.35], 0.5, 0.01, 20, false, 0.0],
        'three groups, one jump' => [[3.13, 4.76, 6.4], 0.25, 0.01, 14, false, 0.0],
        'slow electrode' => [[4.87], 0.25, 0.01, 20, false, 0.35],
    ];

    /** @return iterable<string, array{string}> */
    public static function situations(): iterable
    {
        foreach (array_keys(self::SITUATIONS) as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('situations')]
    public function test_the_truth_lies_within_two_standard_uncertainties_as_often_as_it_should(string $situation): void
    {
        [$pKs, $step, $noise, $repeats, $isBase, $lag] = self::SITUATIONS[$situation];
        $chance = new Chance(crc32($situation));
        $inside = ['equivalence' => 0, 'refined' => 0];
        $squares = ['equivalence' => 0.0, 'refined' => 0.0];
        $count = 0;
        // Fine steps take most of the time.
        for ($i = 0, $n = $step <= 0.25 ? Thorough::times(intdiv($repeats, 2), $repeats) : $repeats; $i < $n; $i++) {
            $true = $chance->between(...(count($pKs) > 1 ? [5.5, 11.0] : [9.0, 19.0]));
            $titrant = $chance->between(0.09, 0.11);
            [$volumes, $ph] = SimulatedTitration::of($chance, $pKs, $true, $step, $noise, $titrant, $chance->between(20.0, 60.0), isBase: $isBase, lag: $lag);
            $titration = PhTitration::of($volumes, $ph, $i % 2 === 0 ? $titrant : null);
            self::assertNotSame([], $titration->jumps, "{$true} mL");
            foreach ($titration->jumps as $place => $jump) {
                $here = $true * max(1.0, round($jump->volume->value / $true));
                $best = $titration->volume($place);
                foreach (['equivalence' => $jump->volume, 'refined' => $best] as $which => $volume) {
                    $inside[$which] += abs($volume->value - $here) <= 2.0 * $volume->uncertainty ? 1 : 0;
                    $squares[$which] += (($volume->value - $here) / $volume->uncertainty) ** 2;
                }
                $count++;
            }
        }

        // 95.4 % are expected; fewer than this happens by chance to one situation in some hundred.
        $least = 0.954 - 3.0 * sqrt(0.954 * 0.046 / $count);
        foreach ($inside as $which => $hits) {
            self::assertGreaterThanOrEqual($least, $hits / $count, $which);
            // Nor are they told much wider than they are: the rms of (value - truth) / ± is 1 at best.
            self::assertGreaterThan(0.5, sqrt($squares[$which] / $count), $which);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function conductometric(): iterable
    {
        yield 'strong acid with strong base: a V' => ['strong'];
        yield 'weak acid with strong base: bent at the start' => ['weak'];
        yield 'chloride with silver: flat, then up' => ['silver'];
    }

    #[DataProvider('conductometric')]
    public function test_corners_of_conductivity_are_found_with_honest_uncertainties(string $kind): void
    {
        $chance = new Chance(4);
        $inside = 0;
        $squares = 0.0;
        for ($i = 0, $n = Thorough::times(8, 20); $i < $n; $i++) {
            $true = $chance->between(9.0, 19.0);
            [$volumes, $conductivity] = SimulatedConductivity::of($chance, $kind, $true, $i % 2 === 0 ? 1.0 : 0.5, 0.004);
            $found = ConductivityTitration::of($volumes, $conductivity, 50.0)->volume;
            self::assertNotNull($found);
            self::assertEqualsWithDelta($true, $found->value, 0.25);
            $inside += abs($found->value - $true) <= 2.0 * $found->uncertainty ? 1 : 0;
            $squares += (($found->value - $true) / $found->uncertainty) ** 2;
        }
        self::assertGreaterThan(0.5, sqrt($squares / $n));

        // 95 % are expected; three quarters is what chance leaves even of eight, once in some hundred.
        self::assertGreaterThanOrEqual(0.75 * $n, $inside);
    }

    public function test_one_wild_reading_and_shuffled_rows_change_nothing_that_matters(): void
    {
        $chance = new Chance(8);
        [$volumes, $ph] = SimulatedTitration::of($chance, [4.756], 14.2, 0.25, 0.01);
        $plain = PhTitration::of($volumes, $ph);
        $wild = $ph;
        $wild[20] += 0.15;
        $order = $chance->shuffled(array_keys($volumes));
        $titration = PhTitration::of(array_map(static fn (int $i): float => $volumes[$i], $order), array_map(static fn (int $i): float => $wild[$i], $order));

        self::assertSame([$volumes[20]], $titration->refined?->left);
        self::assertEqualsWithDelta($plain->volume(0)->value, $titration->volume(0)->value, $plain->volume(0)->uncertainty);
    }

    public function test_groups_that_share_a_jump_are_reported_as_one_with_a_warning(): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(2), [3.4, 5.13], 9.1, 0.25, 0.01);
        $titration = PhTitration::of($volumes, $ph);
        $warnings = array_column(array_map(static fn ($w): array => [$w->code, $w->sentence()], $titration->warnings), 1, 0);

        self::assertCount(1, $titration->jumps);
        self::assertStringStartsWith('2 acid groups share one jump. Their pKₐ lie too close together to show apart: 3.', $warnings['merged-jumps'] ?? '');
    }

    public function test_the_cross_check_agrees_with_the_jump(): void
    {
        foreach ([[[4.756], null], [[], 40.0]] as [$pKs, $start]) {
            [$volumes, $ph] = SimulatedTitration::of(new Chance(6), $pKs, 14.2, 0.25, 0.01, sample: 40.0);
            $gran = PhTitration::of($volumes, $ph, null, $start)->gran;

            self::assertNotNull($gran);
            self::assertEqualsWithDelta(14.2, $gran->value, 4.0 * $gran->uncertainty + 0.02);
        }
    }

    public function test_noise_alone_gives_no_jump_and_says_so(): void
    {
        $chance = new Chance(12);
        $volumes = range(0.0, 20.0, 0.25);
        $titration = PhTitration::of($volumes, array_map(static fn (float $v): float => 4.0 + 0.02 * $v + 0.1 * $chance->normal(), $volumes));

        self::assertSame([], $titration->jumps);
        self::assertSame('no-jump', $titration->warnings[count($titration->warnings) - 1]->code);
        $flat = ConductivityTitration::of($volumes, array_map(static fn (float $v): float => 2.0 + 0.01 * $chance->normal(), $volumes));
        self::assertNull($flat->volume);
        self::assertSame('no-corner', $flat->warnings[0]->code);
    }

    public function test_the_half_equivalence_of_a_weak_acid_is_its_pka(): void
    {
        $chance = new Chance(7);
        foreach ([4.0, 4.756, 5.5] as $pKa) {
            $curve = TitrationCurve::of(...SimulatedTitration::of($chance, [$pKa], 10.0, 0.25, 0.005));
            $half = HalfEquivalence::of($curve, (new EquivalenceFinder)->find($curve)[0]->volume, 0.01);

            self::assertNotNull($half);
            // Half way the hydrogen ions themselves still count: for C/2 = 0.011 mol/L and pKa 4 that is 0.008 pH.
            self::assertEqualsWithDelta($pKa, $half->ph->value, 3 * $half->ph->uncertainty + 0.008);
        }
    }

    public function test_without_readings_before_half_of_it_there_is_no_half_equivalence(): void
    {
        $curve = TitrationCurve::of(...SimulatedTitration::of(new Chance(7), [4.0], 10.0, 0.25, 0.005));
        $late = $curve->points->between(6.0, 20.0);
        $cut = TitrationCurve::of($late->x, $late->y);

        self::assertNull(HalfEquivalence::of($cut, (new EquivalenceFinder)->find($cut)[0]->volume, 0.01));
    }
}
