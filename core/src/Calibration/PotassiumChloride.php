<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** A conductivity standard of potassium chloride in water; its bottle states the conductivity at 25 °C. */
enum PotassiumChloride: string
{
    /** 0.001 mol/L. */
    case Thousandth = '147';
    /** 0.01 mol/L. */
    case Hundredth = '1413';
    /** 0.1 mol/L. */
    case Tenth = '12880';

    /** Ready-made standards are stated to about this share of their value. */
    public const RELATIVE_UNCERTAINTY = 0.005;

    /** µS/cm at 25 °C. */
    public function nominal(): float
    {
        return (float) $this->value;
    }

    /** What stands on the bottle. */
    public function label(): string
    {
        return match ($this) {
            self::Thousandth => '147 µS/cm',
            self::Hundredth => '1413 µS/cm',
            self::Tenth => '12.88 mS/cm',
        };
    }

    /**
     * µS/cm at a temperature, by the same coefficient that samples are brought to 25 °C with: so a cell read in
     * its own standard gives what stands on the bottle.
     */
    public function at(float $celsius, TemperatureCompensation $compensation): float
    {
        return $compensation->from25($this->nominal(), $celsius);
    }
}
