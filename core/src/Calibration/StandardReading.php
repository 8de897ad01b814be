<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;

/** The raw signal of a probe in one standard, as it was accepted. */
final readonly class StandardReading
{
    private function __construct(
        public string $label,
        public float $value,
        public float $valueUncertainty,
        public float $raw,
        public float $scatter,
        public bool $wasSteady,
    ) {
    }

    /**
     * @param  string  $label  what stands on the bottle, the weight or the bath
     * @param  float  $value  what the standard is worth at its temperature, in the quantity's unit
     * @param  float  $raw  mean raw signal while it was read
     * @param  float  $scatter  standard deviation of the samples in that mean, raw unit
     * @param  float  $valueUncertainty  standard uncertainty of the value
     *
     * @throws InvalidQuantity If a number is not finite or an uncertainty below zero.
     */
    public static function of(
        string $label,
        float $value,
        float $raw,
        float $scatter = 0.0,
        bool $wasSteady = true,
        float $valueUncertainty = 0.0,
    ): self {
        if (! is_finite($value) || ! is_finite($valueUncertainty)) {
            throw InvalidQuantity::mustBeFinite("value of the standard {$label}");
        }
        if (! is_finite($raw) || ! is_finite($scatter)) {
            throw InvalidQuantity::mustBeFinite("raw signal in the standard {$label}");
        }
        if ($scatter < 0.0 || $valueUncertainty < 0.0) {
            throw InvalidQuantity::mustBePositive('uncertainty', min($scatter, $valueUncertainty), '');
        }

        return new self($label, $value, $valueUncertainty, $raw, $scatter, $wasSteady);
    }

    /** The same signal, if it had been read in another standard. */
    public function ifReadIn(string $label, float $value): self
    {
        return new self($label, $value, $this->valueUncertainty, $this->raw, $this->scatter, $this->wasSteady);
    }

    /** The same standard with another's raw signal. */
    public function withSignalOf(self $other): self
    {
        return new self($this->label, $this->value, $this->valueUncertainty, $other->raw, $other->scatter, $other->wasSteady);
    }
}
