<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Units\Unit;

/**
 * A value with its standard uncertainty and its unit.
 *
 * Operations carry the uncertainty to first order and take the two operands as independent (JCGM 100:2008,
 * Guide to the expression of uncertainty in measurement, 5.1.2).
 */
final readonly class Measured
{
    private function __construct(public float $value, public float $uncertainty, public Unit $unit)
    {
    }

    /**
     * @param  float  $uncertainty  standard uncertainty, in the same unit as the value
     *
     * @throws InvalidQuantity If a number is not finite, or the uncertainty is below zero.
     */
    public static function of(float $value, float $uncertainty, Unit $unit): self
    {
        if (! is_finite($value) || ! is_finite($uncertainty)) {
            throw InvalidQuantity::mustBeFinite('value and its uncertainty');
        }
        if ($uncertainty < 0.0) {
            throw InvalidQuantity::mustBePositive('uncertainty', $uncertainty, $unit->symbol);
        }

        return new self($value, $uncertainty, $unit);
    }

    /** @throws UnitMismatch If the two measure different things. */
    public function plus(self $other): self
    {
        if (! $this->unit->measuresTheSameAs($other->unit)) {
            throw UnitMismatch::adding($this->unit->symbol, $other->unit->symbol);
        }

        return self::of(
            $this->value + $other->unit->convertDifference($other->value, $this->unit),
            hypot($this->uncertainty, $other->unit->convertDifference($other->uncertainty, $this->unit)),
            $this->unit,
        );
    }

    /** @throws UnitMismatch If a unit does not start at zero, as °C. */
    public function times(self $other): self
    {
        return self::of(
            $this->value * $other->value,
            hypot($this->uncertainty * $other->value, $other->uncertainty * $this->value),
            $this->unit->times($other->unit),
        );
    }

    /**
     * @throws UnitMismatch If a unit does not start at zero, as °C.
     * @throws InvalidQuantity If the divisor is zero.
     */
    public function dividedBy(self $other): self
    {
        if ($other->value === 0.0) {
            throw new InvalidQuantity('A value cannot be divided by 0 '.$other->unit->symbol.'.');
        }
        $quotient = $this->value / $other->value;

        return self::of(
            $quotient,
            hypot($this->uncertainty / $other->value, $quotient * $other->uncertainty / $other->value),
            $this->unit->per($other->unit),
        );
    }

    /** The value times a plain, exact number. */
    public function scaledBy(float $factor): self
    {
        return self::of($this->value * $factor, $this->uncertainty * abs($factor), $this->unit);
    }

    /** @throws UnitMismatch If the two measure different things. */
    public function in(Unit $unit): self
    {
        return self::of(
            $this->unit->convert($this->value, $unit),
            $this->unit->convertDifference($this->uncertainty, $unit),
            $unit,
        );
    }

    /** The same value in a unit of the given name. */
    public function inUnit(string $unit): self
    {
        return $this->in(Unit::parse($unit));
    }
}
