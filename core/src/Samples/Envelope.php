<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** Smallest and largest value of every stretch of a segment, at every level, made once when it is written. */
final class Envelope
{
    /**
     * @param  list<float>  $values
     * @return list<float> smallest, largest, smallest, largest ...; the finest level first
     */
    public static function of(array $values): array
    {
        $level = self::finest($values);
        $all = $level;
        for ($k = 1; $k < Levels::COUNT; $k++) {
            $level = self::coarser($level);
            array_push($all, ...$level);
        }

        return $all;
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function finest(array $values): array
    {
        $pairs = [];
        $n = count($values);
        for ($from = 0; $from < $n; $from += Levels::FINEST) {
            $low = $high = $values[$from];
            $to = min($n, $from + Levels::FINEST);
            for ($i = $from + 1; $i < $to; $i++) {
                $value = $values[$i];
                if ($value < $low) {
                    $low = $value;
                } elseif ($value > $high) {
                    $high = $value;
                }
            }
            $pairs[] = $low;
            $pairs[] = $high;
        }

        return $pairs;
    }

    /**
     * @param  list<float>  $pairs  of a level
     * @return list<float> of the next
     */
    private static function coarser(array $pairs): array
    {
        $coarse = [];
        $n = count($pairs);
        for ($from = 0; $from < $n; $from += 2 * Levels::FACTOR) {
            [$low, $high] = [$pairs[$from], $pairs[$from + 1]];
            $to = min($n, $from + 2 * Levels::FACTOR);
            for ($i = $from + 2; $i < $to; $i += 2) {
                $low = min($low, $pairs[$i]);
                $high = max($high, $pairs[$i + 1]);
            }
            $coarse[] = $low;
            $coarse[] = $high;
        }

        return $coarse;
    }
}
