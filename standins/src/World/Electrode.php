<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Welkion\Core\Calibration\Nernst;

/** A pH electrode with the faults of a real one: slope and offset, lag, a film of what it was in, noise, resolution. */
final class Electrode
{
    /** Time constant of the glass, in s. */
    private const LAG_S = 2.5;

    private const NOISE_MV = 0.12;

    public const RESOLUTION_MV = 0.1;

    /** Share of the last solution that sticks to an electrode that was not rinsed. */
    private const FILM_SHARE = 0.12;

    /** Time constant with which the film exchanges with the solution around it, in s. */
    private const FILM_S = 150.0;

    private const BUMP_MV = 45.0;

    /** An aged electrode has lost this share of its slope. */
    private const AGED_SHARE = 0.09;

    private ?float $millivolts = null;

    private float $filmPh = 7.0;

    private float $filmShare = 0.0;

    private float $bumpLeftS = 0.0;

    public bool $isAged = false;

    /**
     * @param  float  $slopeShare  slope as a share of the ideal one
     * @param  float  $offsetMv  mV at pH 7
     */
    public function __construct(
        private readonly Noise $noise,
        public readonly string $serial,
        private readonly float $slopeShare,
        public readonly float $offsetMv,
    ) {
    }

    public function description(string $channel): ChannelDescription
    {
        return new ChannelDescription(
            $channel, 'ph-electrode', 'pH electrode', $this->serial, 'mV', self::RESOLUTION_MV, [-500.0, 500.0], 20.0,
        );
    }

    /** Its present slope as a share of the ideal one. */
    public function slopeShare(): float
    {
        return $this->slopeShare - ($this->isAged ? self::AGED_SHARE : 0.0);
    }

    /** It goes on into another solution with a film of the last one, of this pH. */
    public function carry(float $ph): void
    {
        $this->filmPh = $ph;
        $this->filmShare = self::FILM_SHARE;
    }

    public function rinse(): void
    {
        $this->filmShare = 0.0;
    }

    public function bump(): void
    {
        $this->bumpLeftS = 0.4;
    }

    /** Lets time pass while the glass is in a solution of this pH. */
    public function pass(float $seconds, float $ph, float $celsius): void
    {
        $this->filmShare *= exp(-$seconds / self::FILM_S);
        $this->bumpLeftS = max(0.0, $this->bumpLeftS - $seconds);
        $felt = $ph + $this->filmShare * ($this->filmPh - $ph);
        $end = $this->offsetMv - $this->slopeShare() * Nernst::idealSlope($celsius) * ($felt - Nernst::ISOPOTENTIAL_PH);
        $this->millivolts = $end + (($this->millivolts ?? $end) - $end) * exp(-$seconds / self::LAG_S);
    }

    /** What the amplifier shows, in mV. */
    public function reading(): float
    {
        $noisy = ($this->millivolts ?? 0.0) + self::NOISE_MV * $this->noise->next()
            + ($this->bumpLeftS > 0.0 ? self::BUMP_MV * ($this->noise->next() > 0.0 ? 1 : -1) : 0.0);

        return round(round($noisy / self::RESOLUTION_MV) * self::RESOLUTION_MV, 3);
    }
}
