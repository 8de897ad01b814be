<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Series\SteadyLimits;
use Welkion\Core\Units\Unit;

/** A probe as its maker describes it: its kind and the line it should have. Makes calibrations of it. */
final readonly class ProbeModel
{
    private function __construct(public ProbeKind $kind, public string $unit, private Unit $rawUnit, private ?CalibrationLine $stated)
    {
    }

    /**
     * @param  string  $rawUnit  unit of the raw signal, or any word for it
     * @param  float|null  $slope  raw unit per unit of the quantity, as the maker states it; null if it is not stated
     * @param  float|null  $offset  raw signal at the kind's reference
     * @param  string|null  $unit  of the quantity, where the kind has none of its own; null: the raw signal is what is measured
     */
    public static function of(ProbeKind $kind, string $rawUnit = '', ?float $slope = null, ?float $offset = null, ?string $unit = null): self
    {
        $unit = $kind === ProbeKind::AnyQuantity ? $unit ?? $rawUnit : $kind->unit();
        if ($kind === ProbeKind::AnyQuantity && $slope === null && $unit === $rawUnit) {
            [$slope, $offset] = [1.0, 0.0];
        }

        return new self($kind, $unit, Unit::ofHeader($rawUnit), $slope === null ? null : CalibrationLine::kept($slope, 0.0, $offset ?? 0.0, 0.0, 0.0, $kind->reference()));
    }

    /**
     * When it is steady, in the unit of its quantity. Of a probe of no known kind only its last digit is known, and that
     * nothing is still to a hundredth of its value.
     *
     * @param  float  $resolution  in raw units
     */
    public function steadyLimits(float $resolution): SteadyLimits
    {
        $digit = $resolution / abs($this->factoryLine()->slope);

        return $this->kind === ProbeKind::AnyQuantity && $digit > 0.0
            ? SteadyLimits::of(driftPerMinute: 10.0 * $digit, scatter: 5.0 * $digit, tolerance: 5.0 * $digit, share: 0.01)
            : $this->kind->steadyLimits();
    }

    /** Whether its raw signal says anything of its quantity before it is calibrated. */
    public function readsFromFactory(): bool
    {
        return $this->stated !== null && $this->kind !== ProbeKind::PhElectrode;
    }

    /** Whether it shows its quantity, well or badly, before it is calibrated; of an unknown quantity only its device can tell how. */
    public function isReadable(): bool
    {
        return $this->stated !== null || $this->kind !== ProbeKind::AnyQuantity;
    }

    /** The maker's line at a temperature. */
    public function factoryLine(float $celsius = Surroundings::ROOM_C): CalibrationLine
    {
        return match (true) {
            $this->kind === ProbeKind::PhElectrode => ElectrodeCalibration::ideal($celsius)->line(),
            $this->stated !== null => $this->stated,
            default => CalibrationLine::kept(1.0, 0.0, 0.0, 0.0, 0.0, $this->kind->reference()),
        };
    }

    /** What the probe reads by before anyone has calibrated it. */
    public function factory(float $celsius = Surroundings::ROOM_C, ?TemperatureCompensation $compensation = null): ProbeCalibration
    {
        return $this->calibration($this->factoryLine($celsius), $celsius, $this->unit, $compensation);
    }

    /** A line kept earlier, as a calibration of this probe. */
    public function calibration(
        CalibrationLine $line,
        float $celsius,
        string $unit,
        ?TemperatureCompensation $compensation = null,
    ): ProbeCalibration {
        return match ($this->kind) {
            ProbeKind::PhElectrode => ElectrodeCalibration::of($line, $celsius),
            ProbeKind::ConductivityCell => ConductivityCalibration::of(
                $line, $this->nominalCellConstant(), $compensation ?? new TemperatureCompensation,
            ),
            default => LinearCalibration::of($line, Unit::ofHeader($unit), $this->rawUnit, $unit === $this->unit ? $this->stated : null),
        };
    }

    /**
     * A calibration from what was read: one standard moves the line that was there (a conductivity cell gets its
     * constant), more give a new one.
     *
     * @param  list<StandardReading>  $readings  values in $unit
     * @param  float  $celsius  temperature of the standards
     * @param  CalibrationLine  $before  the line in force, whose slope a single standard leaves as it is
     *
     * @throws NotEnoughPoints If nothing was read.
     * @throws CoreException If the readings give no line.
     */
    public function calibrated(
        array $readings,
        float $celsius,
        string $unit,
        CalibrationLine $before,
        ?TemperatureCompensation $compensation = null,
    ): ProbeCalibration {
        if ($readings === []) {
            throw NotEnoughPoints::need('A calibration', 1, 0);
        }
        $different = count(array_unique(array_map(static fn (StandardReading $r): float => $r->value, $readings)));

        return match (true) {
            $this->kind === ProbeKind::ConductivityCell => ConductivityCalibration::from(
                $readings, $this->nominalCellConstant(), $compensation ?? new TemperatureCompensation,
            ),
            $different === 1 => $this->calibration(
                CalibrationLine::shifted($before, $readings[count($readings) - 1]), $celsius, $unit, $compensation,
            ),
            $this->kind === ProbeKind::PhElectrode => ElectrodeCalibration::from($readings, $celsius),
            default => LinearCalibration::from($readings, Unit::ofHeader($unit), $this->rawUnit, $unit === $this->unit ? $this->stated : null),
        };
    }

    /** What readings of a sound probe of this kind look like, for the check of mistakes. */
    public function expectation(float $celsius): Expectation
    {
        $line = $this->factoryLine($celsius);

        return match ($this->kind) {
            ProbeKind::PhElectrode => new Expectation($line, 0.70, 1.08, offset: 60.0, stray: 20.0),
            ProbeKind::ConductivityCell => new Expectation($line, 0.6, 1.6, offset: 0.0, stray: 0.0, strayShare: 0.15),
            ProbeKind::Thermometer => new Expectation($line, 0.85, 1.15, offset: 8.0, stray: 1.5),
            default => new Expectation($line, 0.75, 1.25, offset: 0.0, stray: 0.0, strayShare: 0.05, offsetShare: 0.1),
        };
    }

    private function nominalCellConstant(): float
    {
        return 1.0 / $this->factoryLine()->slope;
    }
}
