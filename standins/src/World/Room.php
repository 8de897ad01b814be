<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** The air of the school laboratory. */
final class Room
{
    private const MEAN_C = 21.4;

    /** The room warms and cools by this much within half an hour. */
    private const SWING_C = 0.25;

    private const PERIOD_S = 1800.0;

    public float $barometerKpa = 100.4;

    public function celsiusAt(float $clockS): float
    {
        return self::MEAN_C + self::SWING_C * sin(2.0 * M_PI * $clockS / self::PERIOD_S);
    }
}
