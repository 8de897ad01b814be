<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** How far a working probe, however old, may differ from the line it should have. */
final readonly class Expectation
{
    /**
     * @param  CalibrationLine  $line  what it should have
     * @param  float  $slopeFrom  smallest believable slope, as a share of the expected one
     * @param  float  $slopeTo  largest
     * @param  float  $offset  largest believable distance of the offset, raw unit
     * @param  float  $stray  largest distance of a reading from its own line, raw unit
     * @param  float  $strayShare  the same as a share of the reading, where that is larger
     * @param  float  $offsetShare  further offset, as a share of the largest reading
     */
    public function __construct(
        public CalibrationLine $line,
        public float $slopeFrom,
        public float $slopeTo,
        private float $offset,
        private float $stray,
        private float $strayShare = 0.0,
        private float $offsetShare = 0.0,
    ) {
    }

    /** Whether a probe could have this line through these readings. */
    public function allows(CalibrationLine $line, StandardReading ...$readings): bool
    {
        $share = $line->slope / $this->line->slope;
        if ($share < $this->slopeFrom || $share > $this->slopeTo) {
            return false;
        }
        foreach ($readings as $reading) {
            if (abs($reading->raw - $line->rawAt($reading->value)) > $this->strayOf($reading)) {
                return false;
            }
        }

        return true;
    }

    /** Whether a single reading could come from a working probe in this standard. */
    public function allowsReading(StandardReading $reading): bool
    {
        $distance = $this->line->slope * ($reading->value - $this->line->reference);
        $ends = [$this->line->offset + $this->slopeFrom * $distance, $this->line->offset + $this->slopeTo * $distance];
        $offset = $this->offset + $this->offsetShare * abs($reading->raw);

        return $reading->raw >= min($ends) - $offset && $reading->raw <= max($ends) + $offset;
    }

    /** Raw signal expected to lie between two standards. */
    public function step(StandardReading $from, StandardReading $to): float
    {
        return $this->line->slope * ($to->value - $from->value);
    }

    /** Whether the quantity spans decades, so that values compare by their ratio. */
    public function isProportional(): bool
    {
        return $this->offset === 0.0 && $this->offsetShare === 0.0;
    }

    private function strayOf(StandardReading $reading): float
    {
        return max($this->stray, $this->strayShare * abs($reading->raw));
    }
}
