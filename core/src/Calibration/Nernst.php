<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;

/** The ideal pH electrode: E = E7 - S (pH - 7), with S = ln 10 R T / F. */
final class Nernst
{
    /** Molar gas constant in J/(mol K), CODATA 2018, exact. */
    public const GAS_CONSTANT = 8.314462618;

    /** Faraday constant in C/mol, CODATA 2018, exact to the digits given. */
    public const FARADAY_CONSTANT = 96485.33212;

    public const ZERO_CELSIUS_K = 273.15;

    /** The pH where an ideal electrode reads 0 mV at every temperature. */
    public const ISOPOTENTIAL_PH = 7.0;

    /**
     * Ideal slope in mV per pH, as a positive number: 59.16 at 25 °C.
     *
     * @throws InvalidQuantity If the temperature is not that of a liquid in a beaker (-10 to 110 °C).
     */
    public static function idealSlope(float $celsius): float
    {
        if (! ($celsius >= -10.0 && $celsius <= 110.0)) {
            throw InvalidQuantity::outOfRange('temperature', $celsius, -10.0, 110.0, '°C');
        }

        return 1000.0 * log(10.0) * self::GAS_CONSTANT * ($celsius + self::ZERO_CELSIUS_K) / self::FARADAY_CONSTANT;
    }
}
