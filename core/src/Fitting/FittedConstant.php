<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Uncertainty\StudentT;
use Welkion\Core\Units\Unit;

/** One constant of a fitted curve. */
final readonly class FittedConstant
{
    /**
     * @param  float  $standardError  NAN where there are no more points than constants
     * @param  int  $degreesOfFreedom  points less constants
     * @param  Unit|null  $unit  null where the formula leaves it open
     */
    public function __construct(
        public string $name,
        public float $value,
        public float $standardError,
        public int $degreesOfFreedom,
        public ?Unit $unit,
    ) {
    }

    /**
     * The 95 % interval by Student's t.
     *
     * @return array{float, float} its ends; NAN without degrees of freedom
     */
    public function interval(): array
    {
        $halfWidth = $this->degreesOfFreedom > 0
            ? StudentT::quantile((1.0 + Fit::CONFIDENCE) / 2.0, $this->degreesOfFreedom) * $this->standardError : NAN;

        return [$this->value - $halfWidth, $this->value + $halfWidth];
    }
}
