<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Titration\ConductivityTitration;
use Welkion\Core\Titration\PhTitration;

/** What must not change a result, or change it in a known way, whatever the curve looks like. */
final class SymmetriesTest extends TestCase
{
    /** @return iterable<string, array{list<float>, float, float}> pKs, volume to the first jump, step */
    public static function acids(): iterable
    {
        yield 'a strong acid' => [[], 12.3, 0.5];
        yield 'a weak acid in fine steps' => [[4.76], 14.1, 0.2];
        yield 'a weak acid in coarse steps' => [[3.86], 11.7, 0.5];
        yield 'two protons' => [[2.8, 7.1], 8.4, 0.25];
    }

    /** @param  list<float>  $pKs */
    #[DataProvider('acids')]
    public function test_the_order_of_the_readings_says_nothing(array $pKs, float $first, float $step): void
    {
        $chance = new Chance(21);
        [$volumes, $ph] = SimulatedTitration::of($chance, $pKs, $first, $step, 0.01);
        $order = $chance->shuffled(array_keys($volumes));

        $sorted = self::numbers(PhTitration::of($volumes, $ph));
        $mixed = self::numbers(PhTitration::of(
            array_map(static fn (int $i): float => $volumes[$i], $order), array_map(static fn (int $i): float => $ph[$i], $order),
        ));
        self::assertEqualsWithDelta($sorted, $mixed, 1e-9);
    }

    /** @param  list<float>  $pKs */
    #[DataProvider('acids')]
    public function test_a_base_titrated_with_acid_is_the_mirror_image(array $pKs, float $first, float $step): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(22), $pKs, $first, $step, 0.01);
        $acid = self::numbers(PhTitration::of($volumes, $ph));
        $base = self::numbers(PhTitration::of($volumes, array_map(static fn (float $p): float => 14.0 - $p, $ph)));

        self::assertEqualsWithDelta($acid, $base, 2e-4);
    }

    /** @param  list<float>  $pKs */
    #[DataProvider('acids')]
    public function test_ten_times_as_much_of_everything_is_ten_times_the_volume(array $pKs, float $first, float $step): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(23), $pKs, $first, $step, 0.01);
        $small = self::numbers(PhTitration::of($volumes, $ph, 0.1, 40.0));
        $large = self::numbers(PhTitration::of(array_map(static fn (float $v): float => 10.0 * $v, $volumes), $ph, 0.1, 400.0));

        self::assertEqualsWithDelta(array_map(static fn (float $v): float => 10.0 * $v, $small), $large, 1e-3);
    }

    /** @param  list<float>  $pKs */
    #[DataProvider('acids')]
    public function test_an_electrode_with_a_wrong_offset_still_finds_the_volume(array $pKs, float $first, float $step): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(24), $pKs, $first, $step, 0.01);
        foreach ([-0.15, 0.15] as $offset) {
            $titration = PhTitration::of($volumes, array_map(static fn (float $p): float => $p + $offset, $ph));
            foreach ($titration->jumps as $place => $jump) {
                $true = $first * ($place + 1);
                self::assertEqualsWithDelta($true, $jump->volume->value, 4.0 * $jump->volume->uncertainty + 0.02 * $step, "{$offset} at jump {$place}");
            }
            self::assertCount(max(1, count($pKs)), $titration->jumps);
        }
    }

    public function test_more_readings_never_make_it_worse_in_the_mean(): void
    {
        $mean = [];
        foreach ([1.0, 0.5, 0.25, 0.1] as $step) {
            $sum = 0.0;
            for ($seed = 0; $seed < 12; $seed++) {
                [$volumes, $ph] = SimulatedTitration::of(new Chance(100 + $seed), [4.2], 12.0 + 0.13 * $seed, $step, 0.01);
                $sum += PhTitration::of($volumes, $ph)->volume(0)->uncertainty / 12.0;
            }
            $mean[] = $sum;
        }
        $sorted = $mean;
        rsort($sorted);

        self::assertSame($sorted, $mean, 'Uncertainties in steps of 1.0, 0.5, 0.25 and 0.1 mL.');
        self::assertLessThan(0.5 * $mean[0], $mean[3]);
    }

    public function test_a_reading_taken_twice_counts_as_their_mean(): void
    {
        [$volumes, $ph] = SimulatedTitration::of(new Chance(25), [4.76], 13.3, 0.25, 0.01);
        $once = self::numbers(PhTitration::of($volumes, $ph));
        $twice = self::numbers(PhTitration::of(
            [...$volumes, $volumes[40]], [...array_map(static fn (float $p, int $i): float => $i === 40 ? $p + 0.01 : $p, $ph, array_keys($ph)), $ph[40] - 0.01],
        ));

        self::assertEqualsWithDelta($once, $twice, 1e-9);
    }

    public function test_a_conductivity_in_other_units_bends_at_the_same_volume(): void
    {
        $chance = new Chance(26);
        [$volumes, $conductivity] = SimulatedConductivity::of($chance, 'strong', 11.4, 0.5, 0.002);
        $plain = ConductivityTitration::of($volumes, $conductivity)->volume;
        $milli = ConductivityTitration::of($volumes, array_map(static fn (float $c): float => $c / 1000.0, $conductivity))->volume;

        self::assertEqualsWithDelta($plain?->value, $milli?->value, 1e-6);
        self::assertEqualsWithDelta($plain?->uncertainty, $milli?->uncertainty, 1e-6);
    }

    /** @return list<float> volume and uncertainty of each jump, by the curve and by chemistry */
    private static function numbers(PhTitration $titration): array
    {
        $numbers = [];
        foreach ($titration->jumps as $place => $jump) {
            array_push($numbers, $jump->volume->value, $jump->volume->uncertainty, $titration->volume($place)->value, $titration->volume($place)->uncertainty);
        }

        return $numbers;
    }
}
