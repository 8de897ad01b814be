<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Tests\Reference;
use Welkion\Core\Titration\ConductivityTitration;
use Welkion\Core\Titration\PhTitration;

/** Every titration of the reference within its own tolerance. */
final class ReferenceTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function phFiles(): iterable
    {
        foreach (Reference::truths('titration') as $file => $truth) {
            if ($truth['columns'][1]['name'] === 'pH') {
                yield $file => [$file];
            }
        }
    }

    /** @return iterable<string, array{string, bool}> */
    public static function conductivityFiles(): iterable
    {
        foreach (Reference::truths('titration') as $file => $truth) {
            if ($truth['columns'][1]['name'] === 'Conductivity') {
                yield "{$file}, sample known" => [$file, true];
                yield "{$file}, sample unknown" => [$file, false];
            }
        }
    }

    #[DataProvider('phFiles')]
    public function test_finds_every_jump_that_shows_within_its_tolerance(string $file): void
    {
        $truth = Reference::truths('titration')[$file]['truth'];
        $titration = PhTitration::of(...Reference::columns('titration', $file));

        $volumes = $truth['equivalence_volumes'];
        $shown = array_keys(array_filter($volumes['detectable']));
        self::assertCount(count($shown), $titration->jumps);
        self::assertNotNull($titration->refined);
        foreach ($shown as $place => $index) {
            $found = $titration->jumps[$place]->volume;
            $refined = $titration->refined->volumes[$place];
            self::assertEqualsWithDelta($volumes['value'][$index], $found->value, $volumes['tolerance'][$index]);
            self::assertEqualsWithDelta($volumes['value'][$index], $refined->value, $volumes['tolerance'][$index]);
            // The refined volume knows four times what the second derivative can: within 3 of its own uncertainties ...
            self::assertLessThan(3.0, abs($refined->value - $volumes['value'][$index]) / $refined->uncertainty);
            // ... which are no smaller than the least that any method could have, within what 40 points tell of a scatter.
            self::assertGreaterThan(0.7 * $volumes['information_limit_sd'][$index], $refined->uncertainty);
            self::assertEqualsWithDelta($titration->jumps[$place]->straight->value, $found->value, $volumes['tolerance_coarse'][$index]);
        }
    }

    #[DataProvider('phFiles')]
    public function test_reads_the_ph_half_way_and_the_scatter_of_the_electrode(string $file): void
    {
        $truth = Reference::truths('titration')[$file];
        $titration = PhTitration::of(...Reference::columns('titration', $file));

        self::assertNotNull($titration->refined);
        // The scatter of n points is known to 1/sqrt(2n); the fewest are 26.
        self::assertEqualsWithDelta($truth['noise_sd'], $titration->refined->scatter, 0.35 * $truth['noise_sd']);
        $halves = $truth['truth']['half_equivalence_pH'] ?? ['value' => []];
        foreach ($halves['value'] as $place => $ph) {
            if ($halves['tolerance'][$place] !== null) {
                self::assertEqualsWithDelta($ph, $titration->halves[$place]->ph->value, $halves['tolerance'][$place]);
            }
        }
        self::assertEqualsWithDelta($truth['electrode_lag'], $titration->refined->lag, 0.03);
    }

    #[DataProvider('conductivityFiles')]
    public function test_finds_the_corner_of_a_conductometric_titration(string $file, bool $isSampleKnown): void
    {
        $truth = Reference::truths('titration')[$file];
        [$volumes, $conductivity] = Reference::columns('titration', $file);
        $titration = ConductivityTitration::of($volumes, $conductivity, $isSampleKnown ? (float) $truth['given']['sample_volume']['value'] : null);

        $expected = $truth['truth']['equivalence_volumes'];
        self::assertNotNull($titration->volume);
        self::assertEqualsWithDelta($expected['value'][0], $titration->volume->value, $expected['tolerance'][0]);
        self::assertLessThan(3.0, abs($titration->volume->value - $expected['value'][0]) / $titration->volume->uncertainty);
    }
}
