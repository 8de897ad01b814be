<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;

/** Conductivity brought to 25 °C: kappa25 = kappa / (1 + a (t - 25)) (ISO 7888:1985, linear compensation). */
final readonly class TemperatureCompensation
{
    /** Per °C, for dilute salts; the share kappa grows by with each degree at 25 °C. */
    public const DEFAULT = 0.0191;

    public const REFERENCE_C = 25.0;

    /** @throws InvalidQuantity If the coefficient is not that of a solution (0 to 0.1 per °C). */
    public function __construct(public float $coefficient = self::DEFAULT)
    {
        if (! ($coefficient >= 0.0 && $coefficient <= 0.1)) {
            throw InvalidQuantity::outOfRange('temperature coefficient', $coefficient, 0.0, 0.1, 'per °C');
        }
    }

    /** Conductivity at 25 °C of what has this conductivity at this temperature. */
    public function to25(float $conductivity, float $celsius): float
    {
        return $conductivity / $this->factor($celsius);
    }

    /** Conductivity at this temperature of what has this conductivity at 25 °C. */
    public function from25(float $conductivity, float $celsius): float
    {
        return $conductivity * $this->factor($celsius);
    }

    /** @throws InvalidQuantity If the temperature is not that of a solution in a beaker (-5 to 100 °C). */
    private function factor(float $celsius): float
    {
        if (! ($celsius >= -5.0 && $celsius <= 100.0)) {
            throw InvalidQuantity::outOfRange('temperature', $celsius, -5.0, 100.0, '°C');
        }

        return 1.0 + $this->coefficient * ($celsius - self::REFERENCE_C);
    }
}
