<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Series\SteadyLimits;

/** The kinds of probes we know: what they measure, when they are steady, how long a calibration is good for. */
enum ProbeKind: string
{
    case PhElectrode = 'ph-electrode';
    case ConductivityCell = 'conductivity-cell';
    case Thermometer = 'thermometer';
    case PressureSensor = 'pressure-sensor';
    /** A plunger in a syringe: its travel becomes a volume. */
    case Plunger = 'plunger';
    case EcgLead = 'ecg-lead';
    case GripBulb = 'grip-bulb';
    case BreathingBelt = 'breathing-belt';
    case FingerPulse = 'finger-pulse';
    /** A probe of no kind that is known here: its device, or whoever uses it, says what it measures and in which unit. */
    case AnyQuantity = 'any-quantity';

    /** Unit of the quantity, as long as a calibration does not choose another; empty where each probe has its own. */
    public function unit(): string
    {
        return match ($this) {
            self::PhElectrode => 'pH',
            self::ConductivityCell => 'µS/cm',
            self::Thermometer => '°C',
            self::PressureSensor, self::GripBulb => 'kPa',
            self::Plunger => 'mL',
            self::EcgLead => 'mV',
            self::BreathingBelt => 'N',
            self::FingerPulse => 'V',
            self::AnyQuantity => '',
        };
    }

    /** Value of the quantity where a line's offset is told. */
    public function reference(): float
    {
        return $this === self::PhElectrode ? Nernst::ISOPOTENTIAL_PH : 0.0;
    }

    /** Digits after the point that a live value is shown with. */
    public function decimals(): int
    {
        return match ($this) {
            self::PhElectrode, self::Plunger, self::EcgLead, self::FingerPulse, self::AnyQuantity => 2,
            self::Thermometer, self::PressureSensor, self::GripBulb, self::BreathingBelt => 1,
            self::ConductivityCell => 0,
        };
    }

    /** When it is steady, in the unit of the quantity. */
    public function steadyLimits(): SteadyLimits
    {
        return match ($this) {
            // 0.5 mV of an ideal electrode; three times the noise of a good one over the window.
            self::PhElectrode => SteadyLimits::of(driftPerMinute: 0.02, scatter: 0.0085, tolerance: 0.0085),
            // Conductivities span four decades: 0.3 % of the value, and 1 µS/cm where there is hardly any.
            self::ConductivityCell => SteadyLimits::of(driftPerMinute: 1.0, scatter: 1.0, tolerance: 1.0, share: 0.003),
            self::Thermometer => SteadyLimits::of(driftPerMinute: 0.3, scatter: 0.1, tolerance: 0.1),
            self::PressureSensor => SteadyLimits::of(driftPerMinute: 0.3, scatter: 0.15, tolerance: 0.1),
            self::Plunger => SteadyLimits::of(driftPerMinute: 0.2, scatter: 0.05, tolerance: 0.05, windowS: 5.0),
            self::EcgLead => SteadyLimits::of(driftPerMinute: 0.1, scatter: 0.03, tolerance: 0.02, windowS: 3.0),
            self::GripBulb => SteadyLimits::of(driftPerMinute: 1.0, scatter: 0.3, tolerance: 0.2, windowS: 5.0),
            self::BreathingBelt => SteadyLimits::of(driftPerMinute: 0.5, scatter: 0.1, tolerance: 0.1, windowS: 5.0),
            self::FingerPulse => SteadyLimits::of(driftPerMinute: 0.5, scatter: 0.05, tolerance: 0.05, windowS: 5.0),
            // Of what is known of it, its last digit: see ProbeModel.
            self::AnyQuantity => SteadyLimits::of(driftPerMinute: 1.0, scatter: 0.5, tolerance: 0.5, share: 0.01),
        };
    }

    /** Readings a second that show what it does, while nobody records. */
    public function liveHz(): float
    {
        return $this === self::EcgLead ? 500.0 : 20.0;
    }

    /** Whether its quantity depends on the temperature of what it stands in. */
    public function followsTemperature(): bool
    {
        return $this === self::PhElectrode || $this === self::ConductivityCell;
    }

    /** Rows a second of a timed run, unless someone says otherwise. */
    public function recordedHz(): float
    {
        return match ($this) {
            self::EcgLead => 200.0,
            self::FingerPulse => 50.0,
            self::BreathingBelt, self::GripBulb => 20.0,
            self::PressureSensor, self::Plunger, self::AnyQuantity => 10.0,
            self::PhElectrode, self::ConductivityCell, self::Thermometer => 2.0,
        };
    }

    /** ... and for so many s. */
    public function recordedS(): float
    {
        return match ($this) {
            self::EcgLead => 10.0,
            self::GripBulb, self::FingerPulse => 15.0,
            self::BreathingBelt, self::PressureSensor, self::Plunger, self::AnyQuantity => 60.0,
            self::PhElectrode, self::ConductivityCell, self::Thermometer => 600.0,
        };
    }

    /**
     * Fewer rows a second lose what the signal is for: the sharp wave of a heartbeat lasts 0.1 s, a pulse rises in 0.2 s, a breath
     * in a second. Null where no rate is too slow by itself.
     */
    public function leastHz(): ?float
    {
        return match ($this) {
            self::EcgLead => 100.0,
            self::FingerPulse => 20.0,
            self::GripBulb => 10.0,
            self::BreathingBelt => 5.0,
            default => null,
        };
    }

    /** After so many days a calibration is old: the probe may have changed since. */
    public function goodForDays(): ?int
    {
        return match ($this) {
            self::PhElectrode => 7,
            self::ConductivityCell => 30,
            self::PressureSensor, self::GripBulb, self::EcgLead, self::BreathingBelt, self::Plunger, self::AnyQuantity => 90,
            self::Thermometer => 180,
            self::FingerPulse => null,
        };
    }

    /** Whether the maker's line is trusted until someone calibrates: a class thermometer is, an electrode never is. */
    public function isTrustedFromFactory(): bool
    {
        return match ($this) {
            self::Thermometer, self::FingerPulse, self::AnyQuantity => true,
            default => false,
        };
    }

    /** Whether "this is nothing" is a sensible act with it. */
    public function canBeZeroed(): bool
    {
        return match ($this) {
            self::GripBulb, self::BreathingBelt, self::EcgLead, self::AnyQuantity => true,
            default => false,
        };
    }

    /** Whether it moves by nature, so that "settling" would say nothing. */
    public function isAlive(): bool
    {
        return match ($this) {
            self::EcgLead, self::BreathingBelt, self::FingerPulse => true,
            default => false,
        };
    }
}
