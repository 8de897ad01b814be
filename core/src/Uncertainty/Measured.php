<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Units\Unit;

/**
 * A value with its standard uncertainty, its unit, and the shares of the sources the uncertainty comes from.
 *
 * Operations carry the shares to first order, so that what two operands have in common is not counted twice: V - V is
 * 0 ± 0 (JCGM 100:2008, Guide to the expression of uncertainty in measurement, 5.1.2 and 5.2.2).
 */
final readonly class Measured
{
    private function __construct(public float $value, public float $uncertainty, public Unit $unit, public Shares $shares)
    {
    }

    /**
     * @param  float  $uncertainty  standard uncertainty, in the same unit as the value
     * @param  Source|null  $source  where it comes from; null: from something nothing else knows
     *
     * @throws InvalidQuantity If a number is not finite, or the uncertainty is below zero.
     */
    public static function of(float $value, float $uncertainty, Unit $unit, ?Source $source = null): self
    {
        if ($uncertainty < 0.0) {
            throw InvalidQuantity::mustBePositive('uncertainty', $uncertainty, $unit->symbol);
        }

        return self::with($value, $unit, Shares::of($source ?? Source::unnamed(), $uncertainty));
    }

    /**
     * A value whose shares are known, as the result of a formula.
     *
     * @throws InvalidQuantity If a number is not finite.
     */
    public static function with(float $value, Unit $unit, Shares $shares): self
    {
        $uncertainty = $shares->uncertainty();
        if (! is_finite($value) || ! is_finite($uncertainty)) {
            throw InvalidQuantity::mustBeFinite('value and its uncertainty');
        }

        return new self($value, $uncertainty, $unit, $shares);
    }

    /**
     * Values that were found together, as the constants of one fit: their covariance is divided into independent parts of
     * one source (Cholesky decomposition; Golub and Van Loan, Matrix Computations, 4.2).
     *
     * @param  list<float>  $values
     * @param  list<list<float>>  $covariance  in the products of their units
     * @param  list<Unit>  $units
     * @return list<self>
     *
     * @throws InvalidQuantity If a number is not finite.
     */
    public static function jointly(array $values, array $covariance, array $units, ?Source $source = null): array
    {
        $source ??= Source::unnamed();
        $parts = array_map($source->part(...), array_keys($values));
        $measured = [];
        foreach (Covariance::halves($covariance) as $i => $row) {
            $shares = array_map(static fn (Source $part, float $amount): array => [Shares::of($part, $amount), 1.0], array_slice($parts, 0, count($row)), $row);
            $measured[] = self::with($values[$i], $units[$i], Shares::combined($shares));
        }

        return $measured;
    }

    /** @throws UnitMismatch If the two measure different things. */
    public function plus(self $other): self
    {
        return $this->plusTimes($other, 1.0);
    }

    /**
     * 25 °C less 21 °C is 4 K, and 25 °C less 4 K is 21 °C.
     *
     * @throws UnitMismatch If the two measure different things.
     */
    public function minus(self $other): self
    {
        if ($this->unit->startsAtZero() || $other->unit->startsAtZero()) {
            return $this->plusTimes($other, -1.0);
        }
        $rest = $this->plusTimes($other->in($this->unit), -1.0);

        return self::with($rest->value, $this->unit->difference(), $rest->shares);
    }

    /** @throws UnitMismatch If a unit does not start at zero, as °C. */
    public function times(self $other): self
    {
        return self::with(
            $this->value * $other->value,
            $this->unit->times($other->unit),
            Shares::combined([[$this->shares, $other->value], [$other->shares, $this->value]]),
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

        return self::with(
            $quotient,
            $this->unit->per($other->unit),
            Shares::combined([[$this->shares, 1.0 / $other->value], [$other->shares, -$quotient / $other->value]]),
        );
    }

    /** The value times a plain, exact number. */
    public function scaledBy(float $factor): self
    {
        return self::with($this->value * $factor, $this->unit, Shares::combined([[$this->shares, $factor]]));
    }

    /** @throws UnitMismatch If the two measure different things. */
    public function in(Unit $unit): self
    {
        return self::with(
            $this->unit->convert($this->value, $unit),
            $unit,
            Shares::combined([[$this->shares, $this->unit->convertDifference(1.0, $unit)]]),
        );
    }

    /** The same value in a unit of the given name. */
    public function inUnit(string $unit): self
    {
        return $this->in(Unit::parse($unit));
    }

    /** Covariance with another value, in the product of their units; 0 if they have nothing in common. */
    public function covarianceWith(self $other): float
    {
        return $this->shares->covarianceWith($other->shares);
    }

    private function plusTimes(self $other, float $sign): self
    {
        if (! $this->unit->measuresTheSameAs($other->unit)) {
            throw UnitMismatch::adding($this->unit->symbol, $other->unit->symbol);
        }

        return self::with(
            $this->value + $sign * $other->unit->convertDifference($other->value, $this->unit),
            $this->unit,
            Shares::combined([[$this->shares, 1.0], [$other->shares, $sign * $other->unit->convertDifference(1.0, $this->unit)]]),
        );
    }
}
