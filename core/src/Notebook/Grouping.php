<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Sample;
use Welkion\Core\Units\Unit;

/**
 * The values of one condition taken together: how many, their mean, and how far they scatter.
 *
 * Standard deviation with n − 1 (JCGM 100:2008, 4.2); the half-range, half of largest less smallest, is what school courses
 * take for the uncertainty of a few trials.
 */
final readonly class Grouping
{
    private function __construct(
        public ?string $condition,
        public int $n,
        public float $mean,
        public ?float $sd,
        public ?float $standardError,
        public float $range,
        public float $halfRange,
        public ?float $percent,
        public Unit $unit,
    ) {
    }

    /**
     * @param  non-empty-list<float>  $values
     * @param  Unit  $unit  of all of them
     */
    public static function of(?string $condition, array $values, Unit $unit): self
    {
        $sample = Sample::of($values);
        $range = $sample->max - $sample->min;
        $isKnown = $sample->n > 1;

        return new self(
            $condition, $sample->n, $sample->mean, $isKnown ? $sample->sd : null, $isKnown ? $sample->standardError : null,
            $range, $range / 2.0, $sample->mean === 0.0 ? null : 100.0 * $range / 2.0 / abs($sample->mean), $unit,
        );
    }
}
