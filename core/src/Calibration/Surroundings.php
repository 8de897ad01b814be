<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** What the value of a standard depends on. */
final readonly class Surroundings
{
    /** Taken where no thermometer stands beside the standard. */
    public const ROOM_C = 25.0;

    /** Normal pressure, where nobody has looked at a barometer. */
    public const NORMAL_KPA = 101.325;

    public function __construct(
        public float $celsius = self::ROOM_C,
        public float $barometerKpa = self::NORMAL_KPA,
        public TemperatureCompensation $compensation = new TemperatureCompensation,
    ) {
    }
}
