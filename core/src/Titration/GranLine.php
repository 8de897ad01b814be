<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/**
 * Gran's straight line before the first jump, as a cross-check (Gran, Analyst 77 (1952) 661).
 *
 * V 10^-pH against V is straight for a weak acid and meets zero at the equivalence volume; for a strong acid it is
 * (V0 + V) 10^-pH. A base is the same with pOH.
 */
final class GranLine
{
    /** Part of the way to the jump over which the line is drawn: nearer, the acid left over is no longer all there is. */
    private const FROM = 0.6;

    private const TO = 0.92;

    private const LEAST_POINTS = 4;

    /**
     * @param  float|null  $startVolume  in the beaker at the start, mL; needed for a strong acid or base only
     * @return Measured|null in mL; null without enough points, or without the start volume where it is needed
     */
    public static function of(TitrationCurve $curve, EquivalencePoint $jump, ?float $startVolume): ?Measured
    {
        $near = $curve->points->between(self::FROM * $jump->volume->value, self::TO * $jump->volume->value);
        $half = $curve->points->at($jump->volume->value / 2.0);
        $isStrong = $half === null || $half < LocalJump::STRONG_PH || $half > 14.0 - LocalJump::STRONG_PH;
        if ($near->count() < self::LEAST_POINTS || ($isStrong && $startVolume === null)) {
            return null;
        }
        $sign = $curve->direction();
        $heights = [];
        foreach ($near->x as $i => $volume) {
            $p = $sign > 0 ? $near->y[$i] : 14.0 - $near->y[$i];
            $heights[] = ($isStrong ? (float) $startVolume + $volume : $volume) * 10.0 ** -$p;
        }
        // Heights come from pH, so each errs by the same share of itself.
        $weights = array_map(static fn (float $h): float => 1.0 / ($h * $h), $heights);
        $line = (new CurveFitter)->fit(Relation::Linear->curve(), $near->x, $heights, weights: $weights);
        [$slope, $height] = [$line->constants[0], $line->constants[1]];
        if (! $line->hasConverged() || $slope->value >= 0.0) {
            return null;
        }

        [$a, $b] = Measured::jointly([$slope->value, $height->value], $line->covariance, [Unit::one(), Unit::parse('mL')]);

        return Formula::parse('-b/a')->measured(['a' => $a, 'b' => $b]);
    }
}
