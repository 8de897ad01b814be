<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;

/** Something of known value that a probe is read in. */
final readonly class Standard
{
    /** Standard acceleration of free fall in m/s² (3rd CGPM, 1901). */
    public const FREE_FALL = 9.80665;

    private const ICE_UNCERTAINTY_C = 0.05;

    private const BAROMETER_UNCERTAINTY_KPA = 0.1;

    /** What a class's barometer leaves open in the boiling point, with the formula's own. */
    private const BOILING_UNCERTAINTY_C = 0.05;

    private const BUFFER_UNCERTAINTY_PH = 0.01;

    private const WEIGHT_RELATIVE_UNCERTAINTY = 0.002;

    private const PULSE_RELATIVE_UNCERTAINTY = 0.01;

    /**
     * @param  string  $code  which buffer, which solution; empty where the source says it all
     * @param  float  $value  nominal, in $unit
     * @param  float  $uncertainty  standard uncertainty, in $unit
     */
    private function __construct(
        public StandardSource $source,
        public string $code,
        public string $label,
        public float $value,
        public float $uncertainty,
        public string $unit,
    ) {
    }

    public static function buffer(Buffer $buffer): self
    {
        return new self(StandardSource::Buffer, $buffer->value, $buffer->label(), $buffer->nominalPh(), self::BUFFER_UNCERTAINTY_PH, 'pH');
    }

    public static function potassiumChloride(PotassiumChloride $solution): self
    {
        return new self(
            StandardSource::PotassiumChloride, $solution->value, $solution->label(), $solution->nominal(),
            $solution->nominal() * PotassiumChloride::RELATIVE_UNCERTAINTY, 'µS/cm',
        );
    }

    public static function ice(): self
    {
        return new self(StandardSource::Ice, '', 'melting ice', 0.0, self::ICE_UNCERTAINTY_C, '°C');
    }

    public static function boilingWater(): self
    {
        return new self(StandardSource::Boiling, '', 'boiling water', 100.0, self::BOILING_UNCERTAINTY_C, '°C');
    }

    public static function room(): self
    {
        return new self(StandardSource::Room, '', 'room air', Surroundings::NORMAL_KPA, self::BAROMETER_UNCERTAINTY_KPA, 'kPa');
    }

    /** @throws InvalidQuantity If the mass is not above zero. */
    public static function weight(float $kilograms): self
    {
        if (! is_finite($kilograms) || $kilograms <= 0.0) {
            throw InvalidQuantity::mustBePositive('mass', $kilograms, 'kg');
        }
        $newtons = $kilograms * self::FREE_FALL;

        return new self(
            StandardSource::Weight, (string) json_encode($kilograms), rtrim(rtrim(sprintf('%.3F', $kilograms), '0'), '.').' kg',
            $newtons, $newtons * self::WEIGHT_RELATIVE_UNCERTAINTY, 'N',
        );
    }

    /** Nothing to measure, in the quantity's unit. */
    public static function rest(string $label, string $unit): self
    {
        return new self(StandardSource::Rest, '', $label, 0.0, 0.0, $unit);
    }

    public static function pulse(float $millivolts): self
    {
        return new self(
            StandardSource::Pulse, '', rtrim(rtrim(sprintf('%.2F', $millivolts), '0'), '.').' mV pulse', $millivolts,
            $millivolts * self::PULSE_RELATIVE_UNCERTAINTY, 'mV',
        );
    }

    /** A level the probe should show when it sits well; it does not enter the line. */
    public static function fit(string $label, float $value, string $unit): self
    {
        return new self(StandardSource::Fit, '', $label, $value, 0.0, $unit);
    }

    /** @throws InvalidQuantity If a number is not finite or the uncertainty below zero. */
    public static function typed(string $label, float $value, float $uncertainty, string $unit): self
    {
        if (! is_finite($value) || ! is_finite($uncertainty)) {
            throw InvalidQuantity::mustBeFinite('value of the standard');
        }
        if ($uncertainty < 0.0) {
            throw InvalidQuantity::mustBePositive('uncertainty', $uncertainty, $unit);
        }

        return new self(StandardSource::Typed, '', $label, $value, $uncertainty, $unit);
    }

    /** A standard as it was written down. */
    public static function kept(StandardSource $source, string $code, string $label, float $value, float $uncertainty, string $unit): self
    {
        return new self($source, $code, $label, $value, $uncertainty, $unit);
    }

    /** Its value where it stands: at its temperature, at the day's pressure. */
    public function valueIn(Surroundings $surroundings): float
    {
        return match ($this->source) {
            StandardSource::Buffer => Buffer::from($this->code)->phAt($surroundings->celsius),
            StandardSource::PotassiumChloride => PotassiumChloride::from($this->code)->at($surroundings->celsius, $surroundings->compensation),
            StandardSource::Boiling => WaterBoiling::celsiusAt($surroundings->barometerKpa),
            StandardSource::Room => $surroundings->barometerKpa,
            default => $this->value,
        };
    }

    /** Whether it is a point of the line. */
    public function isPoint(): bool
    {
        return $this->source !== StandardSource::Fit;
    }
}
