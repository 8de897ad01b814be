<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Measured;

/** The line of a plunger from the bore it moves in: volume is the bore's area times travel. */
final class Plunger
{
    private const CUBIC_MM_PER_ML = 1000.0;

    /**
     * Travel over volume, in mm per mL, before the plunger is set to a known volume.
     *
     * @param  Measured  $bore  inner diameter, in any unit of length
     *
     * @throws InvalidQuantity If the bore is not above zero.
     */
    public static function lineOf(Measured $bore): CalibrationLine
    {
        $diameter = $bore->inUnit('mm');
        if ($diameter->value <= 0.0) {
            throw InvalidQuantity::mustBePositive('bore', $diameter->value, 'mm');
        }
        $slope = 4.0 * self::CUBIC_MM_PER_ML / (M_PI * $diameter->value ** 2);

        return CalibrationLine::kept($slope, 2.0 * $slope * $diameter->uncertainty / $diameter->value, 0.0, 0.0);
    }
}
