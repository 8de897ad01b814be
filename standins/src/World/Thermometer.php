<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** A temperature probe in the room's air and whatever stands in it. */
final readonly class Thermometer
{
    private const NOISE_C = 0.02;

    public const RESOLUTION_C = 0.1;

    public function __construct(private Noise $noise)
    {
    }

    public function reading(float $celsius): float
    {
        $noisy = $celsius + self::NOISE_C * $this->noise->next();

        return round(round($noisy / self::RESOLUTION_C) * self::RESOLUTION_C, 3);
    }
}
