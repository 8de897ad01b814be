<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Uncertainty\Measured;

/** One jump of a titration curve. */
final readonly class EquivalencePoint
{
    /** Share of the distance to another estimate that counts as uncertainty; part of it is their scatter. */
    private const DOUBT = 0.5;

    /**
     * @param  Measured  $volume  in mL, from a curve through the points around the jump
     * @param  Measured  $straight  in mL, on the straight line between the neighbours of the sign change; no better
     *                              than the steps
     * @param  float  $ph  pH there, read between the neighbouring points
     * @param  float  $from  volume in mL where the second derivative is last positive in the sense of the jump
     * @param  float  $to  volume in mL where it is first negative
     * @param  float  $step  step of the readings across the jump, in mL
     */
    public function __construct(
        public Measured $volume,
        public Measured $straight,
        public float $ph,
        public float $from,
        public float $to,
        public float $step,
    ) {
    }

    /** The same point, where another estimate of its volume casts doubt on this one. */
    public function besides(Measured $other): self
    {
        $volume = Measured::of($this->volume->value, hypot($this->volume->uncertainty, self::DOUBT * ($this->volume->value - $other->value)), $this->volume->unit);

        return new self($volume, $this->straight, $this->ph, $this->from, $this->to, $this->step);
    }
}
