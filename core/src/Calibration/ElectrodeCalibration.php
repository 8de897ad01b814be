<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/**
 * A pH electrode's line E = E7 - S (pH - 7), from two standards or, by least squares, from more.
 *
 * Its slope is kept as a share of the ideal one, so that a sample at another temperature than the standards is
 * read with the slope of its own temperature; E7 is taken not to change with temperature.
 */
final readonly class ElectrodeCalibration implements ProbeCalibration
{
    /** Standards are good to about this much: the last digit on a bottle of technical buffer. */
    public const STANDARD_UNCERTAINTY_PH = 0.01;

    private function __construct(private CalibrationLine $line, public float $celsius)
    {
    }

    /**
     * @param  list<StandardReading>  $readings  values in pH, raw signals in mV
     * @param  float  $celsius  temperature of the standards
     *
     * @throws NotEnoughPoints If there are fewer than two different standards.
     */
    public static function from(array $readings, float $celsius): self
    {
        return new self(CalibrationLine::through($readings, Nernst::ISOPOTENTIAL_PH), $celsius);
    }

    /** @param  CalibrationLine  $line  in mV over pH, told at pH 7, with the standards at $celsius */
    public static function of(CalibrationLine $line, float $celsius): self
    {
        return new self($line, $celsius);
    }

    /** An electrode of which nothing is known yet: ideal slope, no offset. */
    public static function ideal(float $celsius): self
    {
        return new self(
            CalibrationLine::kept(-Nernst::idealSlope($celsius), 0.0, 0.0, 0.0, reference: Nernst::ISOPOTENTIAL_PH), $celsius,
        );
    }

    public function line(): CalibrationLine
    {
        return $this->line;
    }

    /** S in mV per pH at the temperature of the standards: positive for a working electrode. */
    public function slope(): float
    {
        return -$this->line->slope;
    }

    /** E7 in mV. */
    public function offset(): float
    {
        return $this->line->offset;
    }

    /** Slope of an ideal electrode at this temperature, in mV per pH (Nernst). */
    public function idealSlope(): float
    {
        return Nernst::idealSlope($this->celsius);
    }

    /** Slope in per cent of the ideal one. */
    public function slopePercent(): float
    {
        return 100.0 * $this->slope() / $this->idealSlope();
    }

    /** Its standard uncertainty, in per cent. */
    public function slopePercentUncertainty(): float
    {
        return 100.0 * $this->line->slopeUncertainty / $this->idealSlope();
    }

    public function verdict(): Verdict
    {
        return ElectrodeVerdict::of($this->slopePercent(), $this->offset())->verdict($this->offset());
    }

    public function keyFigures(): array
    {
        return [
            new KeyFigure(
                'of the ideal slope', Measured::of($this->slopePercent(), $this->slopePercentUncertainty(), Unit::parse('%')),
                ElectrodeVerdict::HEALTHY_FROM_PERCENT, ElectrodeVerdict::HEALTHY_TO_PERCENT, ElectrodeVerdict::AGED_FROM_PERCENT,
            ),
            new KeyFigure(
                'at pH 7', Measured::of($this->offset(), $this->line->offsetUncertainty, Unit::parse('mV')),
                -ElectrodeVerdict::GOOD_OFFSET_MV, ElectrodeVerdict::GOOD_OFFSET_MV,
            ),
        ];
    }

    /** pH of a sample from its voltage in mV. */
    public function quantity(float $raw, float $rawUncertainty = 0.0, ?float $celsius = null, ?Source $source = null): Measured
    {
        $line = $this->lineAt($celsius ?? $this->celsius);

        return $line->measured($raw, $rawUncertainty, Unit::parse('pH'), $source);
    }

    private function lineAt(float $celsius): CalibrationLine
    {
        $factor = Nernst::idealSlope($celsius) / $this->idealSlope();

        return CalibrationLine::kept(
            $this->line->slope * $factor,
            $this->line->slopeUncertainty * $factor,
            $this->line->offset,
            $this->line->offsetUncertainty,
            $this->line->covariance * $factor,
            Nernst::ISOPOTENTIAL_PH,
        );
    }
}
