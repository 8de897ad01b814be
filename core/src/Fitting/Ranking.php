<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

/** The order in which curves through the same points are offered. */
final class Ranking
{
    /** Differences of the criterion below this mean nothing much (Burnham and Anderson, Model Selection and Multimodel Inference, 2002, 2.6). */
    public const CLOSE = 4.0;

    /**
     * The lowest criterion first; but of those about as good as the best one, that with the fewest constants is put before all.
     *
     * @param  non-empty-list<array{float, int}>  $curves  criterion and number of constants of each
     * @return non-empty-list<int> their places, the one to offer first first
     */
    public static function simplestOfTheBest(array $curves): array
    {
        $order = array_keys($curves);
        usort($order, static fn (int $a, int $b): int => $curves[$a][0] <=> $curves[$b][0]);
        $least = $curves[$order[0]][0];
        $best = 0;
        foreach ($order as $place => $curve) {
            $behind = $curves[$curve][0] - $least;
            // Where too few points leave all of them without a criterion, they are alike.
            $isClose = is_nan($behind) || $behind <= self::CLOSE;
            if ($isClose && $curves[$curve][1] < $curves[$order[$best]][1]) {
                $best = $place;
            }
        }
        $first = $order[$best];
        unset($order[$best]);

        return [$first, ...array_values($order)];
    }
}
