<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;

/**
 * At which temperature water boils at the day's pressure.
 *
 * Antoine: log10(p / mmHg) = A - B / (C + t / °C), with the constants of water from 1 to 100 °C (Lange's Handbook
 * of Chemistry, 15th edition, table 5.8); good to 0.03 °C between 80 and 105 kPa.
 */
final class WaterBoiling
{
    private const A = 8.07131;

    private const B = 1730.63;

    private const C = 233.426;

    private const KPA_PER_MMHG = 0.133322387415;

    /**
     * @return float °C
     *
     * @throws InvalidQuantity If the pressure is not that of open air (50 to 110 kPa).
     */
    public static function celsiusAt(float $kilopascal): float
    {
        if (! ($kilopascal >= 50.0 && $kilopascal <= 110.0)) {
            throw InvalidQuantity::outOfRange('barometric pressure', $kilopascal, 50.0, 110.0, 'kPa');
        }

        return self::B / (self::A - log10($kilopascal / self::KPA_PER_MMHG)) - self::C;
    }
}
