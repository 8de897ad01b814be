<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Fitting\Model;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Titration\ChargeBalance;
use Welkion\Core\Titration\Chemistry;
use Welkion\Core\Titration\CornerModel;

/** The curves behind the refined volumes: their heights against an independent solution, their slopes against differences. */
final class ModelsTest extends TestCase
{
    private const VOLUMES = [0.0, 1.5, 4.9, 5.2, 9.0, 10.05, 12.0, 19.0, 21.0, 26.0];

    /** @return iterable<string, array{list<float>, int, bool}> pKa, which guess it is, and whether the electrode lags */
    public static function chemistries(): iterable
    {
        yield 'strong acid' => [[], 0, false];
        yield 'weak acid' => [[4.756], 1, false];
        yield 'two groups' => [[3.4, 7.1], 2, false];
        yield 'three groups, slow electrode' => [[3.1, 4.8, 9.4], 3, true];
    }

    /** @param  list<float>  $pKs */
    #[DataProvider('chemistries')]
    public function test_the_balance_of_charges_gives_the_ph_that_halving_finds(array $pKs, int $guess, bool $hasLag): void
    {
        $first = 20.0 / max(1, count($pKs));
        $model = self::balance($guess, false);
        $curve = $model->at([$first, ...$pKs, log(0.1), log(40.0)])[0];

        foreach (self::VOLUMES as $i => $volume) {
            // Independent groups have the pKa of the acid where these lie well apart; the nearest here are 1.7.
            $tolerance = count($pKs) > 1 ? 0.02 : 1e-6;
            self::assertEqualsWithDelta(SimulatedTitration::ph($volume, $pKs, $first, 0.1, 40.0), $curve[$i], $tolerance, "{$volume} mL");
        }
        self::assertCount(count(self::VOLUMES) + 2, $curve);
    }

    /** @param  list<float>  $pKs */
    #[DataProvider('chemistries')]
    public function test_its_slopes_agree_with_finite_differences(array $pKs, int $guess, bool $hasLag): void
    {
        $constants = [20.0 / max(1, count($pKs)), ...$pKs, log(0.1), log(40.0), ...($hasLag ? [0.3] : [])];

        self::assertSlopes(self::balance($guess, $hasLag), $constants);
    }

    public function test_a_corner_has_the_slopes_of_its_formula(): void
    {
        $model = new CornerModel(self::VOLUMES, 0.5, 0.01, 0.2);

        self::assertSlopes($model, [2.0, -0.1, 0.35, 10.3, 4.5]);
        // Far from the corner the lines are straight: a + b V before it, diluted by 1 + V/V0.
        self::assertEqualsWithDelta((2.0 - 0.1 * 1.5) / (1.0 + 1.5 * exp(-4.5)), $model->at([2.0, -0.1, 0.35, 10.3, 4.5])[0][1], 1e-3);
    }

    public function test_guesses_have_their_points_where_the_jumps_are(): void
    {
        $flat = static fn (float $volume): float => 3.0 + 0.2 * $volume;
        foreach (Chemistry::guesses([8.0, 17.0], $flat) as $guess) {
            $points = array_map(static fn (int $point): float => array_sum(array_map(
                static fn (float $share, float $amount): float => $share * $amount, $guess->equivalence($point), $guess->amounts,
            )), range(0, $guess->pointCount() - 1));

            self::assertContains(17.0, array_map(static fn (float $v): float => round($v, 9), $points));
            self::assertSame($points, array_values(array_unique($points)));
            $sorted = $guess->pKs;
            sort($sorted);
            self::assertSame($sorted, $guess->pKs);
        }
    }

    private static function balance(int $guess, bool $hasLag): ChargeBalance
    {
        $chemistry = Chemistry::guesses([20.0], static fn (float $volume): float => 3.0 + 0.3 * $volume)[$guess];

        return new ChargeBalance($chemistry, self::VOLUMES, array_fill(0, count(self::VOLUMES), 7.0), [0.5, 0.5], $hasLag);
    }

    /** @param  list<float>  $constants */
    private static function assertSlopes(Model $model, array $constants): void
    {
        $slopes = $model->at($constants)[1];
        $chance = new Chance(1);
        foreach ($constants as $k => $value) {
            $step = 1e-6 * max(1.0, abs($value)) * $chance->between(0.9, 1.1);
            $up = $constants;
            $up[$k] = $value + $step;
            $down = $constants;
            $down[$k] = $value - $step;
            [$high, $low] = [$model->at($up)[0], $model->at($down)[0]];
            foreach ($high as $i => $height) {
                $expected = ($height - $low[$i]) / (2.0 * $step);
                // Heights are solved to 1e-12, so their difference over the step is good to 1e-6.
                self::assertEqualsWithDelta($expected, $slopes[$k][$i], 2e-5 * max(1.0, abs($expected)), "constant {$k}, row {$i}");
            }
        }
    }
}
