<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Uncertainty\Measured;

/** A number by which a calibration is judged, and between what it should lie. */
final readonly class KeyFigure
{
    /**
     * @param  string  $label  what the number is, to be read after it: "of the ideal slope"
     * @param  float|null  $goodFrom  in the unit of the number; null where nothing is expected
     * @param  float|null  $usableFrom  below it the probe is of no use any more; null where there is no such limit
     */
    public function __construct(
        public string $label,
        public Measured $measured,
        public ?float $goodFrom = null,
        public ?float $goodTo = null,
        public ?float $usableFrom = null,
        public ?float $usableTo = null,
    ) {
    }
}
