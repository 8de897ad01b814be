<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/**
 * A conductivity cell, kappa = K (G - G0): its cell constant K from one standard (then G0 = 0), or with G0 by
 * weighted least squares from more. Quantities are told at 25 °C.
 */
final readonly class ConductivityCalibration implements ProbeCalibration
{
    public const GOOD_SHARE = 0.10;

    public const FAIR_SHARE = 0.20;

    /** An offset conductance beyond this many of its uncertainties is worth telling. */
    private const LEAKAGE_SIGNIFICANCE = 3.0;

    private function __construct(
        private CalibrationLine $line,
        public float $nominalCellConstant,
        public TemperatureCompensation $compensation,
    ) {
    }

    /**
     * @param  list<StandardReading>  $readings  values in µS/cm at the temperature of the standard, raw signals in µS
     * @param  float  $nominalCellConstant  per cm, as printed on the cell
     *
     * @throws NotEnoughPoints If there is no standard.
     * @throws InvalidQuantity If a single standard gives no signal.
     */
    public static function from(array $readings, float $nominalCellConstant, TemperatureCompensation $compensation): self
    {
        if ($readings === []) {
            throw NotEnoughPoints::need('A cell constant', 1, 0);
        }
        $different = count(array_unique(array_map(static fn (StandardReading $r): float => $r->value, $readings)));

        return new self(
            $different === 1 ? CalibrationLine::fromReference($readings[0]) : CalibrationLine::through($readings),
            $nominalCellConstant,
            $compensation,
        );
    }

    /** @param  CalibrationLine  $line  in µS over µS/cm */
    public static function of(CalibrationLine $line, float $nominalCellConstant, TemperatureCompensation $compensation): self
    {
        return new self($line, $nominalCellConstant, $compensation);
    }

    public function line(): CalibrationLine
    {
        return $this->line;
    }

    /** K with its standard uncertainty, per cm. */
    public function cellConstant(): Measured
    {
        $constant = 1.0 / $this->line->slope;

        return Measured::of($constant, abs($constant * $this->line->slopeUncertainty / $this->line->slope), Unit::parse('1/cm'));
    }

    /** G0 with its standard uncertainty, in µS. */
    public function offsetConductance(): Measured
    {
        return Measured::of($this->line->offset, $this->line->offsetUncertainty, Unit::parse('µS'));
    }

    /** Whether the cell shows a conductance where there is none, beyond what its readings leave open. */
    public function hasOffset(): bool
    {
        return abs($this->line->offset) > self::LEAKAGE_SIGNIFICANCE * $this->line->offsetUncertainty
            && $this->line->offsetUncertainty > 0.0;
    }

    public function verdict(): Verdict
    {
        $ratio = $this->cellConstant()->value / $this->nominalCellConstant;
        $deviation = abs($ratio - 1.0);
        $percent = str_replace('-', '−', sprintf('%+.0F %%', 100.0 * ($ratio - 1.0)));

        return match (true) {
            $ratio <= 0.0 => new Verdict('wrong_sign', Grade::Poor, 'Check the standards.',
                'The signal falls where the conductivity rises. Check which standard is which and read them again.'),
            $deviation <= self::GOOD_SHARE => new Verdict('good', Grade::Good, 'Good cell.',
                "Its constant is {$percent} from the one printed on it. Rinse it with distilled water after use."),
            $deviation <= self::FAIR_SHARE => new Verdict('fair', Grade::Fair, 'Fair cell.',
                "Its constant is {$percent} from the one printed on it: usable with this calibration, but clean it soon."),
            default => new Verdict('poor', Grade::Poor, 'Poor cell.',
                "Its constant is {$percent} from the one printed on it. The cell is fouled, holds an air bubble, or the standard is another: clean it and read a fresh standard."),
        };
    }

    public function keyFigures(): array
    {
        $constant = new KeyFigure(
            'cell constant', $this->cellConstant(),
            (1.0 - self::GOOD_SHARE) * $this->nominalCellConstant, (1.0 + self::GOOD_SHARE) * $this->nominalCellConstant,
            (1.0 - self::FAIR_SHARE) * $this->nominalCellConstant, (1.0 + self::FAIR_SHARE) * $this->nominalCellConstant,
        );

        // One standard says nothing of a conductance where there is none.
        return $this->line->offsetUncertainty > 0.0 ? [$constant, new KeyFigure('where nothing conducts', $this->offsetConductance())] : [$constant];
    }

    /** Conductivity at 25 °C, in µS/cm, from a conductance in µS. */
    public function quantity(float $raw, float $rawUncertainty = 0.0, ?float $celsius = null, ?Source $source = null): Measured
    {
        $t = $celsius ?? TemperatureCompensation::REFERENCE_C;

        // A share of the value at any temperature, so that the ± is carried as it is.
        return $this->line->measured($raw, $rawUncertainty, Unit::parse('µS/cm'), $source)->scaledBy($this->compensation->to25(1.0, $t));
    }
}
