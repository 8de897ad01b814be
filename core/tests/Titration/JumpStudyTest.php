<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\TitrationCurve;

/**
 * Two thousand titrations with known truth: are all jumps found that stand out, and no others, and do their volumes lie
 * where they say?
 */
final class JumpStudyTest extends TestCase
{
    private const STEPS = [0.05, 0.1, 0.2, 0.5, 1.0];

    private const NOISES = [0.002, 0.005, 0.01, 0.02, 0.03];

    /** Titrations of each situation at each step and noise; half of them read from a burette that scatters. */
    private const EACH = 8;

    private const BURETTE_ML = 0.01;

    private const STANDS_OUT = 5.0;

    /** @var array<string, array{titrations: int, false: int, standing: int, missed: int, found: int, inside: int}> */
    private static array $tallies = [];

    /** @return iterable<string, array{string}> */
    public static function situations(): iterable
    {
        foreach (['strong acid', 'strong base', 'weak acid', 'weak base', 'very weak acid', 'two groups, close', 'two groups, apart', 'washing soda', 'phosphoric acid', 'three groups'] as $situation) {
            yield $situation => [$situation];
        }
    }

    #[DataProvider('situations')]
    public function test_jumps_are_found_and_lie_where_they_say(string $situation): void
    {
        $tally = self::$tallies[$situation] = self::study($situation);

        self::assertGreaterThanOrEqual(200, $tally['titrations']);
        self::assertLessThanOrEqual(0.02, $tally['false'] / $tally['titrations'], 'jumps that are none');
        self::assertLessThanOrEqual(0.05, $tally['missed'] / $tally['standing'], 'jumps that stand out and were missed');
        // 95 % are expected; of 200 that is 91 to 98 % by chance (three standard errors), and more where the limits are careful.
        self::assertGreaterThanOrEqual(0.91, $tally['inside'] / $tally['found'], 'volumes within two standard uncertainties');
    }

    /** All together: at most 1 % show a jump that is none, at most 2 % of those that stand out are missed. */
    public function test_hardly_a_jump_is_false_or_missed(): void
    {
        foreach (self::situations() as [$situation]) {
            self::$tallies[$situation] ??= self::study($situation);
        }
        $sum = static fn (string $of): int => array_sum(array_column(self::$tallies, $of));

        self::assertGreaterThanOrEqual(2000, $sum('titrations'));
        self::assertLessThanOrEqual(0.01, $sum('false') / $sum('titrations'));
        self::assertLessThanOrEqual(0.02, $sum('missed') / $sum('standing'));
    }

    /** @return array{titrations: int, false: int, standing: int, missed: int, found: int, inside: int} */
    private static function study(string $situation): array
    {
        $chance = new Chance(crc32($situation));
        $tally = ['titrations' => 0, 'false' => 0, 'standing' => 0, 'missed' => 0, 'found' => 0, 'inside' => 0];
        foreach (self::STEPS as $step) {
            foreach (self::NOISES as $noise) {
                for ($i = 0; $i < self::EACH; $i++) {
                    $one = self::titration($chance, $situation, $step, $noise, $i % 2 === 0 ? 0.0 : self::BURETTE_ML);
                    foreach ($one + ['titrations' => 1] as $what => $count) {
                        $tally[$what] += $count;
                    }
                }
            }
        }

        return $tally;
    }

    /** @return array{false: int, standing: int, missed: int, found: int, inside: int} */
    private static function titration(Chance $chance, string $situation, float $step, float $noise, float $burette): array
    {
        [$pKs, $isBase] = self::chemistry($chance, $situation);
        $protons = max(1, count($pKs));
        $first = $chance->between(8.0, 20.0) * ($protons > 1 ? 1.3 : 1.0) / $protons;
        [$titrant, $sample] = [$chance->between(0.05, 0.2), $chance->between(20.0, 60.0)];
        $volumes = $true = $ph = [];
        for ($k = 0; $k * $step <= 1.3 * $first * $protons + 2.0; $k++) {
            $volumes[] = round($k * $step, 4);
            $true[] = SimulatedTitration::ph($volumes[$k], $pKs, $first, $titrant, $sample);
            $added = max(0.0, $volumes[$k] + $burette * $chance->normal());
            $read = ($burette > 0.0 ? SimulatedTitration::ph($added, $pKs, $first, $titrant, $sample) : $true[$k]) + $noise * $chance->normal();
            $ph[] = round($isBase ? 14.0 - $read : $read, $noise < 0.005 ? 3 : 2);
        }
        $found = (new EquivalenceFinder)->find(TitrationCurve::of($volumes, $ph));

        $result = ['false' => 0, 'standing' => 0, 'missed' => 0, 'found' => 0, 'inside' => 0];
        $isFound = array_fill(1, $protons, false);
        foreach ($found as $jump) {
            $point = (int) max(1, min($protons, round($jump->volume->value / $first)));
            $error = abs($jump->volume->value - $point * $first);
            // A second one at the same equivalence point is none, nor is one that lies away from all of them.
            if ($isFound[$point] || $error > max(1.5 * $step, 0.02 * $first * $protons)) {
                $result['false'] = 1;

                continue;
            }
            $isFound[$point] = true;
            $result['found']++;
            $result['inside'] += $error <= 2.0 * $jump->volume->uncertainty ? 1 : 0;
        }
        foreach ($isFound as $point => $wasFound) {
            if (Standing::at($point * $first, $volumes, $true, $noise) >= self::STANDS_OUT) {
                $result['standing']++;
                $result['missed'] += $wasFound ? 0 : 1;
            }
        }

        return $result;
    }

    /** @return array{list<float>, bool} pKa of each group, and whether a base is titrated with acid */
    private static function chemistry(Chance $chance, string $situation): array
    {
        $first = $chance->between(1.5, 3.5);
        $second = $first + $chance->between(1.5, 5.0);

        return match ($situation) {
            'strong acid' => [[], false],
            'strong base' => [[], true],
            'weak acid' => [[$chance->between(2.8, 6.5)], false],
            'weak base' => [[$chance->between(3.5, 6.0)], true],
            'very weak acid' => [[$chance->between(6.5, 9.5)], false],
            'two groups, close' => [[$first, $first + $chance->between(1.0, 3.0)], false],
            'two groups, apart' => [[$first, $first + $chance->between(3.0, 5.5)], false],
            'washing soda' => [[3.671, 7.648], true],
            'phosphoric acid' => [[2.15, 7.2, 12.35], false],
            default => [[$first, $second, $second + $chance->between(1.5, 5.0)], false],
        };
    }
}
