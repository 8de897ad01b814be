<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Uncertainty\Source;
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
     * @param  Measured  $equivalence  volume of the jump, mL
     * @param  float  $phUncertainty  standard uncertainty of one pH reading, calibration included
     * @param  Measured|null  $before  volume of the jump before this one; half way is counted from there
     * @param  Source|null  $reading  what the uncertainty of a reading is called
     * @return self|null null when no readings were taken there
     */
    public static function of(TitrationCurve $curve, Measured $equivalence, float $phUncertainty, ?Measured $before = null, ?Source $reading = null): ?self
    {
        $volume = ($before === null ? $equivalence : $equivalence->plus($before))->scaledBy(0.5);
        $ph = $curve->points->at($volume->value);
        $slope = $curve->points->slopeAt($volume->value);
        if ($ph === null || $slope === null) {
            return null;
        }

        return new self(
            $volume,
            Measured::with($ph, Unit::parse('pH'), Shares::combined([
                [$volume->shares, $slope], [Shares::of($reading ?? Source::unnamed('pH readings'), $phUncertainty), 1.0],
            ])),
        );
    }
}
