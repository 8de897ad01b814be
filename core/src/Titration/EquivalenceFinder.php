<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/**
 * Finds the jumps of a titration curve where its second derivative changes sign.
 *
 * Between which volumes it changes is read from the differences of the readings, and a first value on the straight
 * line between the two (Skoog, West, Holler and Crouch, Fundamentals of Analytical Chemistry, 9th edition, 21G-4).
 * The volume itself comes from a curve through the points around the jump.
 */
final readonly class EquivalenceFinder
{
    /** Readings of a burette are good to about half its smallest division of 0.05 mL, as a standard uncertainty. */
    public const BURETTE_ML = 0.01;

    /** @param  float  $volumeUncertainty  standard uncertainty of one burette reading, mL */
    public function __construct(private float $volumeUncertainty = self::BURETTE_ML)
    {
    }

    /**
     * @return list<EquivalencePoint> in order of volume; empty when no jump stands out from the noise
     */
    public function find(TitrationCurve $curve): array
    {
        $changes = array_values(array_filter(array_map(
            static fn (Jump $jump): ?SignChange => SignChange::of($curve, $jump), (new JumpSearch($this->volumeUncertainty))->in($curve),
        )));
        $found = [];
        foreach ($changes as $i => $change) {
            $found[] = $this->pointAt($curve, $change, ($changes[$i - 1] ?? null)->at ?? 0.0, ($changes[$i + 1] ?? null)?->at);
        }

        return $found;
    }

    private function pointAt(TitrationCurve $curve, SignChange $change, float $before, ?float $after): EquivalencePoint
    {
        $x = $curve->points->x;
        $peak = max(1, min(count($x) - 3, $curve->points->lastUpTo($change->at)));
        $step = ($x[$peak + 2] - $x[$peak - 1]) / 3.0;

        $straight = Measured::of($change->at, hypot($change->uncertainty, $this->volumeUncertainty), Unit::parse('mL'));
        $local = LocalJump::volume($curve, $peak, $change, $before, $after);
        // Should the curve lead away from the sign change, it does not describe this jump.
        $volume = $local === null || abs($local[0] - $change->at) > 2.0 * $step * $change->together
            ? $straight : Measured::of($local[0], hypot($local[1], $this->volumeUncertainty), Unit::parse('mL'));

        return new EquivalencePoint(
            volume: $volume,
            straight: $straight,
            ph: $curve->points->at($volume->value) ?? $curve->points->y[$peak],
            from: $change->from,
            to: $change->to,
            step: $step,
        );
    }
}
