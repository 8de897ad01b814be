<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** A usual way to calibrate a kind of probe: which standards, in which order. */
enum Recipe: string
{
    case Buffers = 'buffers';
    case OneBuffer = 'one-buffer';
    case OneSolution = 'one-solution';
    case ThreeSolutions = 'three-solutions';
    case IceAndBoiling = 'ice-and-boiling';
    case BesideThermometer = 'beside-thermometer';
    case RoomAir = 'room-air';
    case BesideGauge = 'beside-gauge';
    case Bore = 'bore';
    case VolumeMarks = 'volume-marks';
    case GaugePulse = 'gauge-pulse';
    case HungWeights = 'hung-weights';
    case SlackAndStretch = 'slack-and-stretch';
    case TwoValues = 'two-values';

    /** @return list<self> the usual first; empty where there is nothing to calibrate */
    public static function for(ProbeKind $kind): array
    {
        return match ($kind) {
            ProbeKind::PhElectrode => [self::Buffers, self::OneBuffer],
            ProbeKind::ConductivityCell => [self::OneSolution, self::ThreeSolutions],
            ProbeKind::Thermometer => [self::IceAndBoiling, self::BesideThermometer],
            ProbeKind::PressureSensor => [self::RoomAir, self::BesideGauge],
            ProbeKind::Plunger => [self::Bore, self::VolumeMarks],
            ProbeKind::EcgLead => [self::GaugePulse],
            ProbeKind::GripBulb => [self::HungWeights, self::BesideGauge],
            ProbeKind::BreathingBelt => [self::SlackAndStretch],
            ProbeKind::FingerPulse => [],
            ProbeKind::AnyQuantity => [self::TwoValues],
        };
    }

    public function title(): string
    {
        return match ($this) {
            self::Buffers => 'Three buffers',
            self::OneBuffer => 'One buffer, offset only',
            self::OneSolution => 'One standard solution',
            self::ThreeSolutions => 'Three standard solutions',
            self::IceAndBoiling => 'Ice and boiling water',
            self::BesideThermometer => 'Beside a reference thermometer',
            self::RoomAir => 'Against the barometer, offset only',
            self::BesideGauge => 'Beside a pressure gauge',
            self::Bore => 'From the bore of the syringe',
            self::VolumeMarks => 'At volume marks',
            self::GaugePulse => 'Baseline and 1 mV pulse',
            self::HungWeights => 'With hung weights, in N',
            self::SlackAndStretch => 'Slack, then a comfortable stretch',
            self::TwoValues => 'At two known values',
        };
    }

    /** Why one would take this way. */
    public function hint(): string
    {
        return match ($this) {
            self::Buffers => 'Two standards that bracket your sample are enough; the third shows whether the electrode is still straight.',
            self::OneBuffer => 'Puts the offset right and leaves the slope of the last calibration as it is.',
            self::OneSolution => 'One standard near your samples gives the cell constant.',
            self::ThreeSolutions => 'Three standards also show whether the cell conducts where it should not.',
            self::IceAndBoiling => 'Type the day’s barometer reading: water boils at 100 °C only at normal pressure.',
            self::BesideThermometer => 'Both in the same stirred water; two or more temperatures give a line, one moves it.',
            self::RoomAir => 'Type the barometer reading at this place, not the one reduced to sea level.',
            self::BesideGauge => 'Two pressures that bracket your runs give slope and offset.',
            self::Bore => 'Set the plunger to a mark, type that volume and the inner diameter; the tubing’s dead volume is noted.',
            self::VolumeMarks => 'Two marks give a line; more show whether the marks are even.',
            self::GaugePulse => 'Leads joined for the baseline, then the pulse from the amplifier’s button.',
            self::HungWeights => 'The empty bulb first, then two known masses.',
            self::SlackAndStretch => 'Belt off gives zero; put on, it should rest near 5 N and move freely.',
            self::TwoValues => 'Two values that bracket what you will measure, told by something you trust; a third shows whether the line is straight.',
        };
    }

    /**
     * Unit of the quantity it calibrates in.
     *
     * @param  string  $ofProbe  unit of what the probe measures
     */
    public function unit(string $ofProbe): string
    {
        return $this === self::HungWeights ? 'N' : $ofProbe;
    }

    /** How many standards make the line it promises. */
    public function leastStandards(): int
    {
        return match ($this) {
            self::OneBuffer, self::OneSolution, self::RoomAir, self::Bore, self::SlackAndStretch => 1,
            default => 2,
        };
    }

    /** Whether typed values are read beside the probe each time, so that those of last time are only examples. */
    public function isReadBeside(): bool
    {
        return in_array($this, [self::BesideThermometer, self::BesideGauge, self::Bore, self::VolumeMarks, self::TwoValues], true);
    }

    public function needsBarometer(): bool
    {
        return $this === self::IceAndBoiling || $this === self::RoomAir;
    }

    public function needsBore(): bool
    {
        return $this === self::Bore;
    }

    /** @return list<Standard> what a probe can be calibrated at, besides a typed value */
    public static function standardChoices(ProbeKind $kind, string $unit): array
    {
        $all = match ($kind) {
            ProbeKind::PhElectrode => array_map(Standard::buffer(...), Buffer::cases()),
            ProbeKind::ConductivityCell => array_map(Standard::potassiumChloride(...), PotassiumChloride::cases()),
            default => array_merge(...array_map(static fn (self $r): array => $r->standards($kind, $unit), self::for($kind))),
        };
        $choices = [];
        foreach ($all as $standard) {
            if ($standard->source !== StandardSource::Typed) {
                $choices["{$standard->source->value} {$standard->code} {$standard->label}"] = $standard;
            }
        }

        return array_values($choices);
    }

    /** @return list<Standard> what it begins with; the values of typed ones are examples to change */
    public function standards(ProbeKind $kind, string $unit): array
    {
        $unit = $this->unit($unit);

        return match ($this) {
            self::Buffers => [Standard::buffer(Buffer::Technical7), Standard::buffer(Buffer::Technical4), Standard::buffer(Buffer::Technical10)],
            self::OneBuffer => [Standard::buffer(Buffer::Technical7)],
            self::OneSolution => [Standard::potassiumChloride(PotassiumChloride::Hundredth)],
            self::ThreeSolutions => array_map(Standard::potassiumChloride(...), PotassiumChloride::cases()),
            self::IceAndBoiling => [Standard::ice(), Standard::boilingWater()],
            self::BesideThermometer => [Standard::typed('cold water', 10.0, 0.1, $unit), Standard::typed('warm water', 50.0, 0.1, $unit)],
            self::RoomAir => [Standard::room()],
            self::BesideGauge => $kind === ProbeKind::GripBulb
                ? [Standard::rest('bulb let go', $unit), Standard::typed('gauge', 20.0, 0.2, $unit)]
                : [Standard::typed('gauge, low', 80.0, 0.3, $unit), Standard::typed('gauge, high', 150.0, 0.3, $unit)],
            self::Bore => [Standard::typed('start volume', 20.0, 0.1, $unit)],
            self::VolumeMarks => [Standard::typed('mark', 10.0, 0.1, $unit), Standard::typed('mark', 30.0, 0.1, $unit), Standard::typed('mark', 50.0, 0.1, $unit)],
            self::GaugePulse => [Standard::rest('leads joined', $unit), Standard::pulse(1.0)],
            self::HungWeights => [Standard::rest('empty bulb', $unit), Standard::weight(2.0), Standard::weight(5.0)],
            self::SlackAndStretch => [Standard::rest('belt slack', $unit), Standard::fit('comfortable stretch', 5.0, $unit)],
            self::TwoValues => [Standard::typed('low', 0.0, 0.0, $unit), Standard::typed('high', 100.0, 0.0, $unit)],
        };
    }
}
