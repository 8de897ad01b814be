<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Units\Unit;

/** What a step column can be set to. */
final readonly class StepLimits
{
    /**
     * @param  float  $finest  smallest step that makes sense
     * @param  int  $decimals  of the steps as they are shown
     */
    public function __construct(
        public Unit $unit,
        public float $least = -1e9,
        public float $most = 1e9,
        public float $finest = 1e-9,
        public int $decimals = 2,
    ) {
    }

    /** Steps closer than this are the same. */
    public function same(): float
    {
        return 0.4 * 10.0 ** -$this->decimals;
    }
}
