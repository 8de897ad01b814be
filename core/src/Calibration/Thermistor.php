<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** A thermistor, R = R25 exp(B (1/T - 1/298.15 K)): ln R on a straight line over 1/T (two-constant model). */
final readonly class Thermistor
{
    private const REFERENCE_K = Nernst::ZERO_CELSIUS_K + 25.0;

    private function __construct(private CalibrationLine $line)
    {
    }

    /**
     * @param  list<StandardReading>  $readings  values in °C, raw signals in Ω
     *
     * @throws NotEnoughPoints If there are fewer than two different temperatures.
     * @throws InvalidQuantity If a resistance is not above 0 Ω or a temperature not above 0 K.
     */
    public static function from(array $readings): self
    {
        return new self(CalibrationLine::through(array_map(static function (StandardReading $r): StandardReading {
            $kelvin = $r->value + Nernst::ZERO_CELSIUS_K;
            if ($r->raw <= 0.0) {
                throw InvalidQuantity::mustBePositive('resistance', $r->raw, 'Ω');
            }
            if ($kelvin <= 0.0) {
                throw InvalidQuantity::mustBePositive('temperature', $kelvin, 'K');
            }

            return StandardReading::of(
                $r->label, 1.0 / $kelvin, log($r->raw), $r->scatter / $r->raw, $r->wasSteady, $r->valueUncertainty / $kelvin ** 2,
            );
        }, $readings), 1.0 / self::REFERENCE_K));
    }

    /** B with its standard uncertainty, in K. */
    public function beta(): Measured
    {
        return Measured::of($this->line->slope, $this->line->slopeUncertainty, Unit::parse('K'));
    }

    /** Resistance at 25 °C with its standard uncertainty, in Ω. */
    public function resistanceAt25(): Measured
    {
        $ohms = exp($this->line->offset);

        return Measured::of($ohms, $ohms * $this->line->offsetUncertainty, Unit::parse('Ω'));
    }

    /**
     * Temperature in °C for a resistance in Ω.
     *
     * @throws InvalidQuantity If the resistance is not above 0 Ω.
     */
    public function celsius(float $ohms, float $ohmsUncertainty = 0.0): Measured
    {
        if ($ohms <= 0.0) {
            throw InvalidQuantity::mustBePositive('resistance', $ohms, 'Ω');
        }
        $kelvin = 1.0 / $this->line->valueOf(log($ohms));

        return Measured::of(
            $kelvin - Nernst::ZERO_CELSIUS_K,
            $kelvin ** 2 * $this->line->uncertaintyOf(log($ohms), $ohmsUncertainty / $ohms),
            Unit::parse('°C'),
        );
    }
}
