<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/**
 * Stretches of samples by which a long run is drawn: of 16, 64, 256 ... 65,536 samples.
 *
 * Each level has a quarter of the stretches of the one before, so some level always has a few of them for each
 * column of a picture, however long the run and however far one looks into it.
 */
final class Levels
{
    public const FINEST = 16;

    public const FACTOR = 4;

    public const COUNT = 7;

    /** Samples of the coarsest level: of a whole segment. */
    public const COARSEST = self::FINEST * self::FACTOR ** (self::COUNT - 1);

    /** Samples in one stretch of a level. */
    public static function stretch(int $level): int
    {
        return self::FINEST * self::FACTOR ** $level;
    }

    /** How many stretches so many samples have at a level. */
    public static function stretchesIn(int $samples, int $level): int
    {
        return intdiv($samples + self::stretch($level) - 1, self::stretch($level));
    }

    /** The coarsest level whose stretches are no longer than so many samples; null if even the finest is longer. */
    public static function within(float $samples): ?int
    {
        $level = null;
        for ($next = 0; $next < self::COUNT && self::stretch($next) <= $samples; $next++) {
            $level = $next;
        }

        return $level;
    }

    /** Where a level begins in the envelope of so many samples, counted in stretches: the finest comes first. */
    public static function offset(int $samples, int $level): int
    {
        $offset = 0;
        for ($finer = 0; $finer < $level; $finer++) {
            $offset += self::stretchesIn($samples, $finer);
        }

        return $offset;
    }
}
