<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/**
 * The pH half way to an equivalence point, which is the pKa of a weak acid (or of a weak base's partner).
 *
 * Henderson-Hasselbalch: where half of the acid has reacted its two forms are equal (Skoog et al., Fundamentals
 * of Analytical Chemistry, 9th edition, 14C).
 */
final readonly class HalfEquivalence
{
    private function __construct(public Measured $volume, public Measured $ph)
    {
    }

    /**
     * @param  float  $phUncertainty  standard uncertainty of one pH reading, calibration included
     * @param  EquivalencePoint|null  $before  the jump before this one; half way is counted from there
     * @return self|null null when no readings were taken there
     */
    public static function of(TitrationCurve $curve, EquivalencePoint $point, float $phUncertainty, ?EquivalencePoint $before = null): ?self
    {
        $volume = ($before === null ? $point->volume : $point->volume->plus($before->volume))->scaledBy(0.5);
        $ph = $curve->points->at($volume->value);
        $slope = $curve->points->slopeAt($volume->value);
        if ($ph === null || $slope === null) {
            return null;
        }

        return new self(
            $volume,
            Measured::of($ph, hypot($slope * $volume->uncertainty, $phUncertainty), Unit::parse('pH')),
        );
    }
}
