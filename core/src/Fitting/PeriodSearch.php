<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\PlainLeastSquares;

/**
 * Starting values for swinging curves: a sine and a cosine of each likely period are fitted by plain least
 * squares, for unevenly spaced points as well (after Lomb, Astrophysics and Space Science 39, 1976).
 *
 * @internal used by StartSearch alone
 */
final class PeriodSearch
{
    /** Steps of the number of cycles: the best one is within an eighth of a cycle of the truth over the whole range. */
    private const CYCLE_STEP = 0.25;

    /** Dampings to try, per range of x. */
    private const DAMPINGS = [0.3, 1.0, 3.0, 8.0];

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @return list<list<float>> constants of the relation in its order, the best first
     */
    public static function starts(array $x, array $y, bool $isDamped, int $kept): array
    {
        $range = max(-INF, ...$x) - min(INF, ...$x) ?: 1.0;
        $found = [];
        for ($cycles = self::CYCLE_STEP; $cycles <= count($x) / 2.5; $cycles += self::CYCLE_STEP) {
            $found[] = self::tried($x, $y, $range / $cycles, 0.0);
        }
        $found = self::best($found, $kept);
        if ($isDamped) {
            foreach ($found as $one) {
                foreach (self::DAMPINGS as $damping) {
                    $found[] = self::tried($x, $y, $one[0], $damping / $range);
                }
            }
            $found = self::best($found, $kept);
        }

        return array_map(static function (array $one) use ($isDamped): array {
            [$period, $damping, $sine, $cosine, $ground] = $one;
            $ends = [$period, atan2($cosine, $sine), $ground];

            return $isDamped ? [hypot($sine, $cosine), $damping, ...$ends] : [hypot($sine, $cosine), ...$ends];
        }, $found);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @return array{float, float, float, float, float, float}|null period, damping, three factors, sum of squares left
     */
    private static function tried(array $x, array $y, float $period, float $damping): ?array
    {
        $sine = [];
        $cosine = [];
        $one = [];
        foreach ($x as $value) {
            $angle = 2.0 * M_PI * $value / $period;
            $fall = exp(-$damping * $value);
            $sine[] = $fall * sin($angle);
            $cosine[] = $fall * cos($angle);
            $one[] = 1.0;
        }
        $solution = PlainLeastSquares::solve([$sine, $cosine, $one], $y);

        return $solution === null ? null : [$period, $damping, $solution[0][0], $solution[0][1], $solution[0][2], $solution[1]];
    }

    /**
     * @param  list<array{float, float, float, float, float, float}|null>  $found
     * @return list<array{float, float, float, float, float, float}>
     */
    private static function best(array $found, int $kept): array
    {
        $found = array_values(array_filter($found));
        usort($found, static fn (array $a, array $b): int => $a[5] <=> $b[5]);

        return array_slice($found, 0, $kept);
    }
}
