<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Warning;

/**
 * What to say beside a fit.
 *
 * @internal used by CurveFitter alone
 */
final class FitWarnings
{
    /** Two constants this strongly coupled can hardly be told apart. */
    private const STRONG_CORRELATION = 0.999;

    /**
     * @param  list<FittedConstant>  $constants
     * @param  list<list<float>>  $covariance
     * @param  list<bool>  $atBound
     * @return list<Warning>
     */
    public static function of(Outcome $outcome, array $constants, array $covariance, int $degrees, bool $bends, array $atBound): array
    {
        if ($outcome !== Outcome::Converged) {
            return [new Warning($outcome->value, '', $outcome->sentence())];
        }
        $warnings = [];
        if ($degrees === 0) {
            $warnings[] = new Warning('no-freedom', 'There are as many constants as points.',
                'The curve goes through all of them, so nothing tells how good the constants are. Take more points.');
        }
        if ($bends) {
            $warnings[] = new Warning('bends', 'The residuals still bend.', 'Another relation may describe these points better.');
        }
        foreach ($atBound as $k => $isHeld) {
            if ($isHeld) {
                $warnings[] = new Warning('at-bound', "{$constants[$k]->name} was stopped by its bound.", 'Its standard error is not known there.');
            }
        }

        return [...$warnings, ...self::weak($constants, $degrees), ...self::coupled($constants, $covariance)];
    }

    /**
     * @param  list<FittedConstant>  $constants
     * @return list<Warning>
     */
    private static function weak(array $constants, int $degrees): array
    {
        $warnings = [];
        foreach ($constants as $constant) {
            if ($degrees > 0 && $constant->standardError > abs($constant->value)) {
                $warnings[] = new Warning('weak-constant', "{$constant->name} is not told from zero by these points.",
                    'Its standard error is larger than the constant itself.');
            }
        }

        return $warnings;
    }

    /**
     * @param  list<FittedConstant>  $constants
     * @param  list<list<float>>  $covariance
     * @return list<Warning>
     */
    private static function coupled(array $constants, array $covariance): array
    {
        $warnings = [];
        foreach ($constants as $a => $first) {
            foreach (array_slice($constants, $a + 1, null, true) as $b => $second) {
                $product = sqrt(($covariance[$a][$a] ?? 0.0) * ($covariance[$b][$b] ?? 0.0));
                if ($product > 0.0 && abs($covariance[$a][$b]) > self::STRONG_CORRELATION * $product) {
                    $warnings[] = new Warning('coupled', "{$first->name} and {$second->name} can hardly be told apart.",
                        'A change of one is made good by a change of the other. Take points over a wider range.');
                }
            }
        }

        return $warnings;
    }
}
