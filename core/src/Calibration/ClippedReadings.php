<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Linear\StraightLine;

/** Finds readings in which the probe stood at an end of its range: they say nothing about its line. */
final class ClippedReadings
{
    /** A step this small a share of what the line gives is no step. */
    private const STUCK_SHARE = 0.1;

    /** A last reading this many scatters short of an otherwise straight line was cut off. */
    private const SHORT_BY = 8.0;

    /** ... and at least this share of the line's whole height. */
    private const SHORT_SHARE = 0.01;

    /** Other readings than the one doubted that a line must have before it may judge. */
    private const FEWEST_OTHERS = 3;

    /**
     * @param  list<StandardReading>  $readings
     * @return list<int> positions of the clipped ones in $readings, ascending
     */
    public static function find(array $readings): array
    {
        $order = array_keys($readings);
        usort($order, static fn (int $a, int $b): int => $readings[$a]->value <=> $readings[$b]->value);
        $clipped = [...self::atEnd($readings, $order), ...self::atEnd($readings, array_reverse($order))];
        sort($clipped);

        return $clipped;
    }

    /**
     * @param  list<StandardReading>  $readings
     * @param  list<int>  $order  positions, towards the end that is looked at
     * @return list<int>
     */
    private static function atEnd(array $readings, array $order): array
    {
        $clipped = [];
        while (count($order) > self::FEWEST_OTHERS) {
            $last = array_pop($order);
            $line = self::line($readings, $order);
            $before = $order[count($order) - 1];
            if ($line === null) {
                return $clipped;
            }
            $expected = $line->slope * ($readings[$last]->value - $readings[$before]->value);
            $step = $readings[$last]->raw - $readings[$before]->raw;
            $isStuck = abs($step) < self::STUCK_SHARE * abs($expected);
            // Whoever stands where a clipped one stands was clipped too, however far it came before.
            $isSame = $clipped !== [] && abs($readings[$last]->raw - $readings[$clipped[0]]->raw) < self::STUCK_SHARE * abs($expected);
            if (! $isStuck && ! $isSame && ! self::isCutShort($readings, $order, $last, $line)) {
                return $clipped;
            }
            $clipped[] = $last;
            if ($isStuck) {
                $clipped[] = $before;
                array_pop($order);
            }
        }

        return array_values(array_unique($clipped));
    }

    /**
     * @param  list<StandardReading>  $readings
     * @param  list<int>  $others
     */
    private static function isCutShort(array $readings, array $others, int $last, StraightLine $line): bool
    {
        if (count($others) <= self::FEWEST_OTHERS) {
            return false;
        }
        $first = $readings[$others[0]];
        $height = $line->slope * ($readings[$last]->value - $first->value);
        $short = ($line->at($readings[$last]->value) - $readings[$last]->raw) * ($height <=> 0.0);
        $scatter = max($line->scatter, ...array_map(static fn (int $i): float => $readings[$i]->scatter, $others));

        return $short > self::SHORT_BY * $scatter && $short > self::SHORT_SHARE * abs($height);
    }

    /**
     * @param  list<StandardReading>  $readings
     * @param  list<int>  $positions
     */
    private static function line(array $readings, array $positions): ?StraightLine
    {
        $x = array_map(static fn (int $i): float => $readings[$i]->value, $positions);

        return count(array_unique($x)) < 2
            ? null
            : StraightLine::through($x, array_map(static fn (int $i): float => $readings[$i]->raw, $positions));
    }
}
