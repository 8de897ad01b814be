<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Welkion\Core\Calibration\Nernst;

/** A pH electrode with the faults of a real one: slope, offset, lag, noise and resolution. */
final class Electrode
{
    /** Time constant of the glass, in s. */
    private const LAG_S = 2.5;

    private const NOISE_MV = 0.12;

    public const RESOLUTION_MV = 0.1;

    private ?float $millivolts = null;

    /**
     * @param  float  $slopeShare  slope as a share of the ideal one
     * @param  float  $offsetMv  mV at pH 7
     */
    public function __construct(
        private readonly Noise $noise,
        public readonly float $slopeShare,
        public readonly float $offsetMv,
    ) {
    }

    /** Lets time pass while the glass is in a solution of this pH. */
    public function pass(float $seconds, float $ph, float $celsius): void
    {
        $end = $this->offsetMv - $this->slopeShare * Nernst::idealSlope($celsius) * ($ph - Nernst::ISOPOTENTIAL_PH);
        $this->millivolts = $end + (($this->millivolts ?? $end) - $end) * exp(-$seconds / self::LAG_S);
    }

    /** What the amplifier shows, in mV. */
    public function reading(): float
    {
        $noisy = ($this->millivolts ?? 0.0) + self::NOISE_MV * $this->noise->next();

        return round(round($noisy / self::RESOLUTION_MV) * self::RESOLUTION_MV, 3);
    }
}
