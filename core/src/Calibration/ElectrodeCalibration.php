<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\StraightLine;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/**
 * A pH electrode's line E = E7 - S (pH - 7), from two standards or, by least squares, from more.
 *
 * Its slope is kept as a share of the ideal one, so that a sample at another temperature than the standards is
 * read with the slope of its own temperature; E7 is taken not to change with temperature.
 */
final readonly class ElectrodeCalibration
{
    /** Standards are good to about this much: the last digit on a bottle of technical buffer. */
    public const STANDARD_UNCERTAINTY_PH = 0.01;

    /** @param  list<float>  $residualsMv reading less line, for each standard */
    private function __construct(
        public float $celsius,
        public float $slope,
        public float $slopeUncertainty,
        public float $offset,
        public float $offsetUncertainty,
        public array $residualsMv,
    ) {
    }

    /**
     * @param  list<StandardReading>  $readings
     * @param  float  $celsius  temperature of the standards
     *
     * @throws NotEnoughPoints If there are fewer than two different standards.
     */
    public static function from(array $readings, float $celsius): self
    {
        $ph = array_map(static fn (StandardReading $r): float => $r->ph - Nernst::ISOPOTENTIAL_PH, $readings);
        $mv = array_map(static fn (StandardReading $r): float => $r->millivolts, $readings);
        $line = StraightLine::through($ph, $mv);

        // What a standard and its reading allow by themselves; a line through two points has no other witness.
        $slope = -$line->slope;
        $pointError = hypot(
            self::STANDARD_UNCERTAINTY_PH * $slope,
            max(0.0, ...array_map(static fn (StandardReading $r): float => $r->scatterMv, $readings)),
        );
        $spread = 0.0;
        foreach ($ph as $value) {
            $spread += ($value - $line->centre) ** 2;
        }
        $slopeError = max($line->slopeError, $pointError / sqrt($spread));
        $meanError = max($line->scatter, $pointError) / sqrt(count($ph));

        return new self(
            celsius: $celsius,
            slope: $slope,
            slopeUncertainty: $slopeError,
            offset: $line->at(0.0),
            offsetUncertainty: hypot($meanError, $slopeError * $line->centre),
            residualsMv: array_map(static fn (float $at, float $read): float => $read - $line->at($at), $ph, $mv),
        );
    }

    /**
     * A calibration as it was kept.
     *
     * @param  float  $slope  mV per pH, positive for a working electrode, at $celsius
     * @param  float  $offset  mV at pH 7
     */
    public static function kept(
        float $celsius,
        float $slope,
        float $slopeUncertainty,
        float $offset,
        float $offsetUncertainty,
    ): self {
        return new self($celsius, $slope, $slopeUncertainty, $offset, $offsetUncertainty, []);
    }

    /** An electrode of which nothing is known yet: ideal slope, no offset. */
    public static function ideal(float $celsius): self
    {
        return new self($celsius, Nernst::idealSlope($celsius), 0.0, 0.0, 0.0, []);
    }

    /** Slope of an ideal electrode at this temperature, in mV per pH (Nernst). */
    public function idealSlope(): float
    {
        return Nernst::idealSlope($this->celsius);
    }

    /** Slope in per cent of the ideal one. */
    public function slopePercent(): float
    {
        return 100.0 * $this->slope / $this->idealSlope();
    }

    /** Its standard uncertainty, in per cent. */
    public function slopePercentUncertainty(): float
    {
        return 100.0 * $this->slopeUncertainty / $this->idealSlope();
    }

    /** The largest distance of a standard from the line, in mV. */
    public function largestResidualMv(): float
    {
        return max(0.0, ...array_map(abs(...), $this->residualsMv));
    }

    /** What slope and offset say about the electrode. */
    public function verdict(): ElectrodeVerdict
    {
        return ElectrodeVerdict::of($this->slopePercent(), $this->offset);
    }

    /** mV this electrode gives in a solution of this pH at the temperature of the standards. */
    public function millivoltsAt(float $ph): float
    {
        return $this->offset - $this->slope * ($ph - Nernst::ISOPOTENTIAL_PH);
    }

    /**
     * pH of a sample from its raw signal.
     *
     * @param  float  $millivolts  mean raw signal
     * @param  float  $millivoltsUncertainty  its standard uncertainty
     * @param  float|null  $celsius  temperature of the sample; that of the standards if not known
     */
    public function ph(float $millivolts, float $millivoltsUncertainty = 0.0, ?float $celsius = null): Measured
    {
        $slope = $this->slopeAt($celsius ?? $this->celsius);
        $distance = ($this->offset - $millivolts) / $slope;

        return Measured::of(
            Nernst::ISOPOTENTIAL_PH + $distance,
            hypot(
                $millivoltsUncertainty / $slope,
                hypot($this->offsetUncertainty / $slope, $distance * $this->slopeUncertainty / $this->slope),
            ),
            Unit::parse('pH'),
        );
    }

    private function slopeAt(float $celsius): float
    {
        return $this->slope * Nernst::idealSlope($celsius) / $this->idealSlope();
    }
}
