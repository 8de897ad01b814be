<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** From where to where the value of a standard can lie, by the unit it is told in. */
final readonly class StandardRange
{
    private const BY_UNIT = [
        'pH' => [0.0, 14.0], '°C' => [-50.0, 250.0], 'kPa' => [0.0, 1000.0], 'µS/cm' => [0.01, 500_000.0],
        'N' => [0.0, 2000.0], 'mL' => [0.0, 1000.0], 'mV' => [-1000.0, 1000.0],
    ];

    /** Masses hung on a grip bulb, in kg: from a gram to more than anyone lifts. */
    public const LEAST_KG = 0.001;

    public const MOST_KG = 200.0;

    private function __construct(public float $least, public float $most, public string $unit)
    {
    }

    /** @param  string  $unit  that of the quantity; any other has room for a million either way */
    public static function in(string $unit): self
    {
        [$least, $most] = self::BY_UNIT[$unit] ?? [-1e6, 1e6];

        return new self($least, $most, $unit);
    }

    /** Masses, in kg. */
    public static function ofWeights(): self
    {
        return new self(self::LEAST_KG, self::MOST_KG, 'kg');
    }

    /** The largest ± that still says something: half of all there is. */
    public function largestUncertainty(): float
    {
        return ($this->most - $this->least) / 2.0;
    }
}
