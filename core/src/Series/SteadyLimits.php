<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

/** What "steady" means for one kind of probe. */
final readonly class SteadyLimits
{
    /** Readings are judged over the last 10 s. */
    public const WINDOW_S = 10.0;

    /**
     * @param  float  $driftPerMinute  largest drift, in the probe's unit per minute
     * @param  float  $scatter  largest standard deviation about the drift line, in the probe's unit
     */
    public function __construct(
        public float $driftPerMinute,
        public float $scatter,
        public float $windowS = self::WINDOW_S,
    ) {
    }

    /**
     * A pH electrode in mV: 1.2 mV/min is 0.02 pH per minute, and three times that of the noise of a good
     * electrode over 10 s.
     */
    public static function phElectrode(): self
    {
        return new self(driftPerMinute: 1.2, scatter: 0.5);
    }

    /** A thermometer in °C, in a room or a beaker at rest. */
    public static function thermometer(): self
    {
        return new self(driftPerMinute: 0.3, scatter: 0.1);
    }
}
