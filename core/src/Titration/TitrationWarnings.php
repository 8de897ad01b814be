<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Warning;

/**
 * What to say beside a titration curve.
 *
 * @internal used by PhTitration
 */
final class TitrationWarnings
{
    /** Steps above this leave more to the step than to the burette. */
    private const COARSE_STEP_ML = 0.15;

    /** A part missed from reading to reading that is worth a word. */
    private const SLOW = 0.1;

    /**
     * @param  list<EquivalencePoint>  $jumps
     * @return list<Warning>
     */
    public static function of(TitrationCurve $curve, array $jumps, ?RefinedTitration $refined): array
    {
        $warnings = self::slips($curve);
        if ($jumps === []) {
            return [...$warnings, new Warning('no-jump', 'No jump stands out from the noise.', 'Take readings past the steep part.')];
        }
        foreach ($jumps as $jump) {
            $coarse = self::coarse($jump);
            if ($coarse !== null) {
                $warnings[] = $coarse;
            }
        }
        if ($refined === null) {
            return [...$warnings, new Warning('not-refined', 'The balance of charges does not describe this curve.',
                'The volumes rest on the points around each jump alone.')];
        }
        foreach ($refined->left as $volume) {
            $warnings[] = new Warning('slip', sprintf('The reading at %.2F mL was left out of the refined volumes.', $volume),
                'It lies far from the curve through all others.');
        }
        if ($refined->lag > self::SLOW) {
            $warnings[] = new Warning('slow-electrode', sprintf('The electrode still missed about %d %% of each change.', (int) round(100.0 * $refined->lag)),
                'This was taken into account. Wait longer before each reading.');
        }
        if ($refined->hidden > 0) {
            $warnings[] = new Warning('merged-jumps', sprintf('%d acid groups share %s.', $refined->hidden + count($jumps), count($jumps) === 1 ? 'one jump' : count($jumps).' jumps'),
                'Their pKₐ lie too close together to show apart: '.implode(' and ', array_map(static fn (float $pK): string => sprintf('%.2F', $pK), $refined->pKs)).'.');
        }

        return $warnings;
    }

    /** @return list<Warning> one for each reading left out */
    public static function slips(TitrationCurve $curve): array
    {
        return array_map(static fn (float $slip): Warning => new Warning('slip', sprintf('The reading at %.2F mL was left out.', $slip),
            'It jumps away from its neighbours and straight back. Set it aside with a reason, or retake it.'), $curve->slips);
    }

    /** What coarse steps cost; null where they are fine. */
    public static function coarse(EquivalencePoint $jump): ?Warning
    {
        return $jump->step <= self::COARSE_STEP_ML ? null : new Warning('coarse-steps', sprintf('Steps of %.2F mL across the jump.', $jump->step), sprintf(
            'Read between two readings the equivalence volume is no better than ± %.2F mL; take %.2F mL steps between %.1F and %.1F mL.',
            $jump->straight->uncertainty, StepAdvice::FINE_STEP_ML, floor($jump->from * 2) / 2, ceil($jump->to * 2) / 2,
        ));
    }
}
