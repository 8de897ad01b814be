<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;

/** The raw signal of an electrode in one standard, as it was accepted. */
final readonly class StandardReading
{
    private function __construct(
        public string $label,
        public float $ph,
        public float $millivolts,
        public float $scatterMv,
        public bool $wasSteady,
    ) {
    }

    /**
     * @param  string  $label  what stands on the bottle
     * @param  float  $ph  pH of the standard at its temperature
     * @param  float  $millivolts  mean raw signal while it was read
     * @param  float  $scatterMv  standard deviation of the samples in that mean
     *
     * @throws InvalidQuantity If the pH is not between -1 and 15 or the signal not a number.
     */
    public static function of(string $label, float $ph, float $millivolts, float $scatterMv, bool $wasSteady): self
    {
        if (! ($ph >= -1.0 && $ph <= 15.0)) {
            throw InvalidQuantity::outOfRange('pH of the standard', $ph, -1.0, 15.0, 'pH');
        }
        if (! is_finite($millivolts) || ! is_finite($scatterMv)) {
            throw InvalidQuantity::mustBeFinite('electrode voltage');
        }

        return new self($label, $ph, $millivolts, $scatterMv, $wasSteady);
    }
}
