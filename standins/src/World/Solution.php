<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Calibration\WaterBoiling;

/** What stands on bench "Birch" for probes to be put into. */
enum Solution: string
{
    case Storage = 'storage';
    case Rinse = 'rinse';
    case Buffer4 = 'buffer-4.01';
    case Buffer7 = 'buffer-7.00';
    case Buffer10 = 'buffer-10.01';
    case Borax = 'borax';
    case Chloride147 = 'kcl-147';
    case Chloride1413 = 'kcl-1413';
    case Chloride12880 = 'kcl-12880';
    case Brine = 'brine';
    case Ice = 'ice';
    case WarmWater = 'warm-water';
    case BoilingWater = 'boiling-water';

    public function words(): string
    {
        return match ($this) {
            self::Storage => 'storage',
            self::Rinse => 'rinse water',
            self::Buffer4 => 'pH 4.01',
            self::Buffer7 => 'pH 7.00',
            self::Buffer10 => 'pH 10.01',
            self::Borax => 'borax 9.18',
            self::Chloride147 => '147 µS/cm',
            self::Chloride1413 => '1413 µS/cm',
            self::Chloride12880 => '12.88 mS/cm',
            self::Brine => 'cheese brine 1:50',
            self::Ice => 'melting ice',
            self::WarmWater => 'warm water',
            self::BoilingWater => 'boiling water',
        };
    }

    public function celsius(float $room, float $barometerKpa): float
    {
        return match ($this) {
            self::Ice => 0.0,
            self::WarmWater => 48.6,
            self::BoilingWater => WaterBoiling::celsiusAt($barometerKpa),
            default => $room,
        };
    }

    public function ph(float $celsius): float
    {
        return match ($this) {
            self::Storage => 6.2,
            self::Buffer4 => Buffer::Technical4->phAt($celsius),
            self::Buffer7 => Buffer::Technical7->phAt($celsius),
            self::Buffer10 => Buffer::Technical10->phAt($celsius),
            self::Borax => Buffer::Borax->phAt($celsius),
            self::Brine => 5.3,
            default => 6.6,
        };
    }

    /** µS/cm at this temperature. */
    public function conductivity(float $celsius): float
    {
        $at25 = match ($this) {
            self::Storage => 240_000.0,
            self::Rinse, self::Ice, self::WarmWater, self::BoilingWater => 3.2,
            self::Buffer4, self::Buffer7, self::Buffer10, self::Borax => 6_100.0,
            self::Chloride147 => 147.0,
            self::Chloride1413 => 1_413.0,
            self::Chloride12880 => 12_880.0,
            self::Brine => 6_940.0,
        };

        return (new TemperatureCompensation)->from25($at25, $celsius);
    }

    public function rinses(): bool
    {
        return $this === self::Rinse || $this === self::Storage;
    }
}
