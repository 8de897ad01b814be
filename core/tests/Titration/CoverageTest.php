<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\HalfEquivalence;
use Welkion\Core\Titration\TitrationCurve;

/** Many titrations with known truth, from a chemistry written for this test alone. */
final class CoverageTest extends TestCase
{
    private const TITRATIONS = 120;

    /** @return iterable<string, array{float, float, float}> step mL, noise pH, pKa */
    public static function situations(): iterable
    {
        yield 'fine steps, calm electrode' => [0.1, 0.005, 3.86];
        yield 'usual steps' => [0.25, 0.01, 4.756];
        yield 'coarse steps' => [0.5, 0.02, 3.86];
        yield 'coarse steps, strong acid' => [1.0, 0.02, -2.0];
    }

    #[DataProvider('situations')]
    public function test_the_stated_uncertainty_of_the_equivalence_volume_is_honest(float $step, float $noise, float $pKa): void
    {
        $randomizer = new Randomizer(new Mt19937(20261123));
        $inside = 0;
        for ($i = 0; $i < self::TITRATIONS; $i++) {
            $true = 9.0 + 2.0 * $randomizer->getInt(0, 1_000_000) / 1_000_000;
            $found = (new EquivalenceFinder)->find(self::titration($true, $step, $noise, $pKa, $randomizer));
            self::assertCount(1, $found, "Jump at {$true} mL.");
            $inside += abs($found[0]->volume->value - $true) <= 2.0 * $found[0]->volume->uncertainty ? 1 : 0;
        }

        // Two standard uncertainties hold at least 90 %; a step spread evenly is rather on the safe side.
        self::assertGreaterThanOrEqual(0.9 * self::TITRATIONS, $inside);
    }

    public function test_the_half_equivalence_of_a_weak_acid_is_its_pka(): void
    {
        $randomizer = new Randomizer(new Mt19937(7));
        foreach ([4.0, 4.756, 5.5] as $pKa) {
            $curve = self::titration(10.0, 0.25, 0.005, $pKa, $randomizer);
            $half = HalfEquivalence::of($curve, (new EquivalenceFinder)->find($curve)[0], 0.01);

            self::assertNotNull($half);
            // Half way the hydrogen ions themselves still count: for C/2 = 0.014 mol/L and pKa 4 that is 0.006 pH.
            self::assertEqualsWithDelta($pKa, $half->ph->value, 3 * $half->ph->uncertainty + 0.006);
        }
    }

    public function test_without_readings_before_half_of_it_there_is_no_half_equivalence(): void
    {
        $curve = self::titration(10.0, 0.25, 0.005, 4.0, new Randomizer(new Mt19937(7)));
        $late = $curve->points->between(6.0, 20.0);
        $cut = TitrationCurve::of($late->x, $late->y);

        self::assertNull(HalfEquivalence::of($cut, (new EquivalenceFinder)->find($cut)[0], 0.01));
    }

    public function test_the_noise_of_the_electrode_is_told_from_the_curve(): void
    {
        foreach ([0.005, 0.02] as $noise) {
            $curve = self::titration(10.0, 0.1, $noise, 4.756, new Randomizer(new Mt19937(9)));

            // A median of some 200 deviations is good to about 10 %; the curve itself adds a little.
            self::assertEqualsWithDelta($noise, $curve->noise, 0.35 * $noise);
        }
    }

    private static function titration(float $true, float $step, float $noise, float $pKa, Randomizer $randomizer): TitrationCurve
    {
        $volumes = range(0.0, 20.0, $step);
        $ph = array_map(
            static fn (float $v): float => self::ph($v, $true, $pKa) + $noise * self::normal($randomizer), $volumes,
        );

        return TitrationCurve::of($volumes, $ph);
    }

    /** The charge balance solved by halving, in pH; 25 mL of acid against 0.1 mol/L of base. */
    private static function ph(float $volume, float $true, float $pKa): float
    {
        $total = 25.0 + $volume;
        [$acid, $base, $ka] = [0.1 * $true / $total, 0.1 * $volume / $total, 10 ** -$pKa];
        $balance = static function (float $ph) use ($acid, $base, $ka): float {
            $h = 10 ** -$ph;

            return $h + $base - 1e-14 / $h - $acid * $ka / ($ka + $h);
        };
        [$low, $high] = [-1.0, 15.0];
        while ($high - $low > 1e-10) {
            $middle = ($low + $high) / 2;
            $balance($middle) > 0.0 ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2;
    }

    private static function normal(Randomizer $randomizer): float
    {
        $sum = 0.0;
        for ($i = 0; $i < 12; $i++) {
            $sum += $randomizer->getInt(0, 1_000_000) / 1_000_000;
        }

        return $sum - 6.0;
    }
}
