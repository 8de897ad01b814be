<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;

/** What "steady" means for one kind of probe, in the unit of its signal. */
final readonly class SteadyLimits
{
    /** Readings are judged over the last 10 s. */
    public const WINDOW_S = 10.0;

    /**
     * @param  float  $driftPerMinute  largest drift, unit per minute
     * @param  float  $scatter  largest standard deviation about the drift line
     * @param  float  $tolerance  how far an accepted mean may still lie from where the signal is going
     * @param  float  $share  this share of the signal is added to all three: for quantities that span decades
     */
    private function __construct(
        public float $driftPerMinute,
        public float $scatter,
        public float $tolerance,
        public float $windowS,
        public float $share,
    ) {
    }

    /** @throws InvalidQuantity If a limit is not above zero. */
    public static function of(
        float $driftPerMinute,
        float $scatter,
        float $tolerance,
        float $windowS = self::WINDOW_S,
        float $share = 0.0,
    ): self {
        foreach (['drift per minute' => $driftPerMinute, 'scatter' => $scatter, 'tolerance' => $tolerance, 'window' => $windowS] as $name => $limit) {
            if (! is_finite($limit) || $limit <= 0.0) {
                throw InvalidQuantity::mustBePositive($name, $limit, '');
            }
        }

        return new self($driftPerMinute, $scatter, $tolerance, $windowS, $share);
    }

    /** The same limits for a signal that is this many times the quantity. */
    public function times(float $factor): self
    {
        return new self(
            $this->driftPerMinute * $factor, $this->scatter * $factor, $this->tolerance * $factor, $this->windowS, $this->share,
        );
    }

    /** The limits for a signal at this level, with nothing left to depend on it. */
    public function at(float $level): self
    {
        $more = $this->share * abs($level);

        return new self($this->driftPerMinute + $more, $this->scatter + $more, $this->tolerance + $more, $this->windowS, 0.0);
    }
}
