<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** Where the value of a standard comes from. */
enum StandardSource: string
{
    /** A pH buffer whose value follows temperature. */
    case Buffer = 'buffer';
    /** A potassium chloride solution. */
    case PotassiumChloride = 'potassium-chloride';
    /** Melting ice: 0 °C. */
    case Ice = 'ice';
    /** Boiling water at the day's pressure. */
    case Boiling = 'boiling';
    /** The room's air at the day's pressure. */
    case Room = 'room';
    /** A mass in kg, hung up. */
    case Weight = 'weight';
    /** Nothing to measure: bulb let go, belt slack, leads joined. */
    case Rest = 'rest';
    /** A pulse of known height. */
    case Pulse = 'pulse';
    /** Not a point of the line: shows whether the probe sits well. */
    case Fit = 'fit';
    /** A value read elsewhere and typed. */
    case Typed = 'typed';

    /** What hands do before it is read. */
    public function instruction(): string
    {
        return match ($this) {
            self::Buffer => 'Rinse, blot, then dip in',
            self::PotassiumChloride => 'Rinse, dip in, tap off the bubbles',
            self::Ice => 'Stir in melting ice to',
            self::Boiling => 'Hold in boiling water at',
            self::Room => 'Open to the room at',
            self::Weight => 'Hang on, and let it hang still',
            self::Rest => 'Let go: nothing on it',
            self::Pulse => 'Give the gauge pulse of',
            self::Fit => 'Put on until it reads',
            self::Typed => 'Bring to the value read beside it',
        };
    }

    /** Whether what stuck to the probe in the last standard would spoil the next. */
    public function needsRinse(): bool
    {
        return $this === self::Buffer || $this === self::PotassiumChloride;
    }
}
