<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** A probe whose raw signal follows its quantity on a line: with lag, noise, slow drift, resolution and range. */
final class Sensor
{
    /** A knock shows for this long, in s. */
    private const BUMP_S = 0.4;

    private ?float $quantity = null;

    private float $ageS = 0.0;

    private float $bumpLeftS = 0.0;

    /** Share of the slope a fault leaves; 1 for a sound probe. */
    public float $slopeFactor = 1.0;

    /** Raw signal of mains hum, its height. */
    public float $hum = 0.0;

    /**
     * @param  float  $slope  raw unit per unit of the quantity
     * @param  float  $offset  raw signal at nothing
     * @param  float  $lagS  time constant
     * @param  float  $noise  standard deviation of the raw signal
     * @param  float  $driftPerHour  raw unit
     */
    public function __construct(
        private readonly Noise $random,
        public readonly ChannelDescription $description,
        public readonly float $slope,
        public readonly float $offset,
        private readonly float $lagS,
        private readonly float $noise,
        private readonly float $driftPerHour = 0.0,
    ) {
    }

    public function pass(float $seconds, float $quantity): void
    {
        $this->ageS += $seconds;
        $this->bumpLeftS = max(0.0, $this->bumpLeftS - $seconds);
        $this->quantity = $this->lagS <= 0.0
            ? $quantity
            : $quantity + (($this->quantity ?? $quantity) - $quantity) * exp(-$seconds / $this->lagS);
    }

    public function bump(): void
    {
        $this->bumpLeftS = self::BUMP_S;
    }

    public function reading(): float
    {
        [$low, $high] = $this->description->range;
        $signal = $this->offset + $this->slope * $this->slopeFactor * ($this->quantity ?? 0.0)
            + $this->driftPerHour * $this->ageS / 3600.0 + $this->noise * $this->random->next()
            + $this->hum * sin(2.0 * M_PI * 50.0 * $this->ageS)
            + ($this->bumpLeftS > 0.0 ? 0.2 * ($high - $low) * ($this->random->next() > 0.0 ? 1 : -1) : 0.0);
        $step = $this->description->resolution;

        return round(round(min($high, max($low, $signal)) / $step) * $step, 9);
    }
}
