<?php

declare(strict_types=1);

namespace App\Recorder\Link;

/** So many of something a second, with a store for bursts. */
final class Allowance
{
    private float $left;

    private float $at;

    public function __construct(private readonly float $perSecond, private readonly float $burst, float $now)
    {
        $this->left = $burst;
        $this->at = $now;
    }

    /** Takes from it; false once more was taken than there was. */
    public function take(float $amount, float $now): bool
    {
        $this->left = min($this->burst, $this->left + max(0.0, $now - $this->at) * $this->perSecond) - $amount;
        $this->at = $now;

        return $this->left >= 0.0;
    }
}
