<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\GranLine;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Uncertainty\Measured;

/** Against the chemistry of SimulatedTitration, which knows nothing of Gran. */
final class GranLineTest extends TestCase
{
    private const TRUTH_ML = 10.37;

    private const SAMPLE_ML = 40.0;

    public function test_acids_and_bases_weak_and_strong_meet_zero_at_the_equivalence_volume(): void
    {
        $weak = [[4.76], null];
        $strong = [[], self::SAMPLE_ML];
        foreach ([[$weak, false], [$weak, true], [$strong, false], [$strong, true]] as [[$pKs, $start], $isBase]) {
            $volume = self::line($pKs, $isBase, 0.0, $start);

            // Activities left out, what remains is the water's own ions and pH told in hundredths.
            self::assertEqualsWithDelta(self::TRUTH_ML, $volume?->value, 0.05);
            self::assertSame('mL', $volume?->unit->symbol);
            self::assertGreaterThan(0.0, $volume->uncertainty);
        }
    }

    public function test_a_strong_acid_needs_the_volume_it_began_with(): void
    {
        self::assertNull(self::line([], false, 0.0, null));
        $other = (float) self::line([], false, 0.0, 10.0)?->value;
        self::assertGreaterThan(0.08, abs($other - self::TRUTH_ML), 'Another volume gives another line.');
    }

    public function test_where_nobody_saw_the_half_way_it_may_be_a_strong_one(): void
    {
        self::assertNull(self::line([4.76], false, 6.0, null));
        self::assertNotNull(self::line([4.76], false, 6.0, self::SAMPLE_ML));
    }

    public function test_it_needs_four_readings_before_the_jump(): void
    {
        self::assertNull(self::line([4.76], false, 0.0, null, 1.2));
        self::assertNotNull(self::line([4.76], false, 0.0, null, 0.8));
    }

    /** @param  list<float>  $pKs */
    private static function line(array $pKs, bool $isBase, float $from, ?float $start, float $step = 0.5): ?Measured
    {
        [$volumes, $ph] = SimulatedTitration::of(
            new Chance(4), $pKs, self::TRUTH_ML, $step, 0.0, sample: self::SAMPLE_ML, isBase: $isBase,
        );
        $kept = array_filter($volumes, static fn (float $v): bool => $v >= $from);
        $curve = TitrationCurve::of(array_values($kept), array_values(array_intersect_key($ph, $kept)));
        $jumps = (new EquivalenceFinder)->find($curve);
        self::assertCount(1, $jumps);

        return GranLine::of($curve, $jumps[0], $start);
    }
}
