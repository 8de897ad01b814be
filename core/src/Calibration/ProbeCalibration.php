<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;

/** How one probe's raw signal becomes a quantity, and how far that can be trusted. */
interface ProbeCalibration
{
    /** The numbers behind it, in raw units. */
    public function line(): CalibrationLine;

    /**
     * The quantity for a raw signal.
     *
     * @param  float  $rawUncertainty  standard uncertainty of the raw signal
     * @param  float|null  $celsius  temperature of the sample; that of the standards if not known
     * @param  Source|null  $source  what the line is called: two quantities by the same one err together
     * @return Measured with the shares of its scatter and of the two constants of the line
     */
    public function quantity(float $raw, float $rawUncertainty = 0.0, ?float $celsius = null, ?Source $source = null): Measured;

    public function verdict(): Verdict;

    /** @return list<KeyFigure> the one it is judged by first, then its offset if it has one of its own */
    public function keyFigures(): array;
}
