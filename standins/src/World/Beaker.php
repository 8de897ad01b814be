<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Welkion\Standins\Chemistry\WeakAcidWithBase;

/** A sample in a beaker below a burette: titrant runs in, and mixes faster when stirred. */
final class Beaker
{
    private const MIXING_STIRRED_S = 0.8;

    private const MIXING_STILL_S = 15.0;

    public const BURETTE_ML = 50.0;

    private float $addedMl = 0.0;

    private float $mixedMl = 0.0;

    public bool $isStirred = true;

    /**
     * @param  float  $sampleMl  volume of the sample
     * @param  float  $acid  mol/L of acid in the sample
     * @param  float  $titrant  mol/L of base in the burette
     */
    public function __construct(
        private readonly WeakAcidWithBase $chemistry,
        public readonly float $sampleMl,
        public readonly float $acid,
        public readonly float $titrant,
    ) {
    }

    public function addedMl(): float
    {
        return $this->addedMl;
    }

    /** @throws RefusedAct If the burette does not hold that much. */
    public function dispense(float $millilitres): void
    {
        $left = self::BURETTE_ML - $this->addedMl;
        if (is_nan($millilitres) || $millilitres <= 0.0) {
            throw new RefusedAct('The volume to dispense must be above 0 mL.');
        }
        if ($millilitres > $left + 1e-9) {
            throw new RefusedAct(sprintf('The burette holds only %.2F mL more. Take a new sample to refill it.', $left));
        }
        $this->addedMl += $millilitres;
    }

    public function refill(): void
    {
        $this->addedMl = 0.0;
        $this->mixedMl = 0.0;
    }

    public function pass(float $seconds): void
    {
        $timeConstant = $this->isStirred ? self::MIXING_STIRRED_S : self::MIXING_STILL_S;
        $this->mixedMl = $this->addedMl + ($this->mixedMl - $this->addedMl) * exp(-$seconds / $timeConstant);
    }

    /** pH of what is mixed by now, diluted by what was added. */
    public function ph(): float
    {
        $total = $this->sampleMl + $this->mixedMl;

        return $this->chemistry->ph(
            $this->acid * $this->sampleMl / $total,
            $this->titrant * $this->mixedMl / $total,
        );
    }

    /** The titrant volume in mL that is chemically equivalent to the acid in the sample. */
    public function equivalenceMl(): float
    {
        return $this->acid * $this->sampleMl / $this->titrant;
    }
}
