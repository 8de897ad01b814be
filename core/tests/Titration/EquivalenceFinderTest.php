<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Tests\Reference;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\EquivalencePoint;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Uncertainty\Measured;

final class EquivalenceFinderTest extends TestCase
{
    /** @return iterable<string, array{string}> every pH file of the reference */
    public static function phFiles(): iterable
    {
        foreach (Reference::truths('titration') as $file => $truth) {
            if ($truth['columns'][1]['name'] === 'pH') {
                yield $file => [$file];
            }
        }
    }

    #[DataProvider('phFiles')]
    public function test_finds_every_jump_that_shows_and_no_other(string $file): void
    {
        $truth = Reference::truths('titration')[$file]['truth']['equivalence_volumes'];
        [$volumes, $ph] = Reference::columns('titration', $file);

        $found = (new EquivalenceFinder)->find(TitrationCurve::of($volumes, $ph));

        $expected = array_keys(array_filter($truth['detectable']));
        self::assertCount(count($expected), $found);
        foreach ($expected as $order => $index) {
            $error = $found[$order]->volume->value - $truth['value'][$index];
            self::assertEqualsWithDelta(0.0, $error, $truth['tolerance_coarse'][$index]);
            self::assertLessThan(3.0, abs($error) / $found[$order]->volume->uncertainty);
        }
    }

    public function test_the_order_of_the_rows_does_not_matter(): void
    {
        [$volumes, $ph] = Reference::columns('titration', 't03-sour-whey.csv');
        $sorted = self::only($volumes, $ph);
        $order = (new Randomizer(new Mt19937(5)))->shuffleArray(array_keys($volumes));
        $shuffled = self::only(
            array_map(static fn (int $i): float => $volumes[$i], $order), array_map(static fn (int $i): float => $ph[$i], $order),
        );

        self::assertSame($sorted->volume->value, $shuffled->volume->value);
    }

    public function test_acid_into_base_is_base_into_acid_seen_from_below(): void
    {
        [$volumes, $ph] = Reference::columns('titration', 't03-sour-whey.csv');
        $up = self::only($volumes, $ph);
        $down = self::only($volumes, array_map(static fn (float $p): float => 14.0 - $p, $ph));

        // Mirroring rounds the last bit of each pH.
        self::assertEqualsWithDelta($up->volume->value, $down->volume->value, 1e-9);
        self::assertEqualsWithDelta(14.0 - $up->ph, $down->ph, 1e-9);
    }

    public function test_noise_alone_is_no_jump(): void
    {
        $randomizer = new Randomizer(new Mt19937(11));
        foreach ([0.005, 0.05, 0.2] as $noise) {
            $volumes = range(0.0, 30.0, 0.25);
            $ph = array_map(static fn (float $v): float => 4.0 + 0.03 * $v + $noise * ($randomizer->getInt(-1000, 1000) / 500), $volumes);

            self::assertSame([], (new EquivalenceFinder)->find(TitrationCurve::of($volumes, $ph)));
        }
    }

    public function test_finer_steps_give_a_smaller_uncertainty(): void
    {
        $of = static fn (float $step): Measured => self::only(...SimulatedTitration::of(new Chance(3), [4.0], 10.37, $step, 0.01))->volume;
        [$coarse, $fine] = [$of(1.0), $of(0.1)];

        self::assertEqualsWithDelta(10.37, $coarse->value, 2.0 * $coarse->uncertainty);
        self::assertGreaterThan(2.0 * $fine->uncertainty, $coarse->uncertainty);
        self::assertEqualsWithDelta(10.37, $fine->value, 2.0 * $fine->uncertainty);
        self::assertLessThan(0.015, $fine->uncertainty);
    }

    public function test_one_reading_that_lies_off_makes_no_jump(): void
    {
        [$volumes, $ph] = Reference::columns('titration', 't01-tank-rinse.csv');
        $plain = self::only($volumes, $ph)->volume->value;
        foreach ([5, 12, 20, 50] as $row) {
            $off = $ph;
            $off[$row] += 0.12;

            self::assertEqualsWithDelta($plain, self::only($volumes, $off)->volume->value, 0.01, "row {$row}");
        }
    }

    public function test_a_halt_while_the_ph_runs_the_wrong_way_is_no_jump(): void
    {
        $volumes = array_map(floatval(...), range(0, 9));

        self::assertSame([], (new EquivalenceFinder(0.0))->find(TitrationCurve::of($volumes, [9.0, 8.0, 7.0, 7.0, 6.0, 5.0, 4.0, 3.0, 2.0, 12.0])));
        self::assertSame([], (new EquivalenceFinder(0.0))->find(TitrationCurve::of($volumes, array_fill(0, 10, 7.0))));
    }

    public function test_one_mistyped_reading_is_named_and_left_out(): void
    {
        [$volumes, $ph] = Reference::columns('titration', 't10-vinegar-mistyped.csv');
        $row = Reference::truths('titration')['t10-vinegar-mistyped.csv']['defects'][0]['row'];

        self::assertSame([$volumes[$row - 1]], TitrationCurve::of($volumes, $ph)->slips);
    }

    public function test_refuses_a_curve_of_too_few_points(): void
    {
        $this->expectException(NotEnoughPoints::class);
        $this->expectExceptionMessage('A titration curve needs at least 5 points at different places, but there are 3.');

        TitrationCurve::of([0.0, 1.0, 2.0, 2.0], [3.0, 4.0, 5.0, 5.1]);
    }

    /**
     * @param  list<float>  $volumes
     * @param  list<float>  $ph
     */
    private static function only(array $volumes, array $ph): EquivalencePoint
    {
        $found = (new EquivalenceFinder)->find(TitrationCurve::of($volumes, $ph));
        self::assertCount(1, $found);

        return $found[0];
    }
}
