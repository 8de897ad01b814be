<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Exception\InvalidQuantity;

/** A stretch of a plan: volumes from one value to another in equal steps, all in mL. */
final readonly class VolumeRange
{
    /** What a school burette holds. */
    public const LARGEST_ML = 100.0;

    /** Finer than one drop makes no sense. */
    public const SMALLEST_STEP_ML = 0.01;

    private function __construct(public float $from, public float $to, public float $step)
    {
    }

    /** @throws InvalidQuantity If the range does not rise, leaves 0 to 100 mL, or its step is below 0.01 mL. */
    public static function of(float $from, float $to, float $step): self
    {
        if (! ($from >= 0.0 && $from <= self::LARGEST_ML)) {
            throw InvalidQuantity::outOfRange('first volume', $from, 0.0, self::LARGEST_ML, 'mL');
        }
        if (! ($to >= $from && $to <= self::LARGEST_ML)) {
            throw InvalidQuantity::outOfRange('last volume', $to, $from, self::LARGEST_ML, 'mL');
        }
        if (! ($step >= self::SMALLEST_STEP_ML && $step <= self::LARGEST_ML)) {
            throw InvalidQuantity::outOfRange('step', $step, self::SMALLEST_STEP_ML, self::LARGEST_ML, 'mL');
        }

        return new self($from, $to, $step);
    }

    /** @return list<float> from the first volume in whole steps; the last one is always reached */
    public function volumes(): array
    {
        $volumes = [];
        $count = (int) floor(($this->to - $this->from) / $this->step + 1e-6);
        for ($i = 0; $i <= $count; $i++) {
            $volumes[] = round($this->from + $i * $this->step, VolumePlan::DECIMALS);
        }
        if ($this->to - $volumes[$count] > VolumePlan::SAME_ML) {
            $volumes[] = round($this->to, VolumePlan::DECIMALS);
        }

        return $volumes;
    }
}
