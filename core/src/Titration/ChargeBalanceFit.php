<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Fitting\Bounds;
use Welkion\Core\Fitting\LevenbergMarquardt;

/**
 * Refines equivalence volumes by fitting the balance of charges to the whole curve.
 *
 * Several guesses at the chemistry are fitted; the one that describes the points best for its number of constants
 * (AICc) is kept, and only if its residuals are no more than the electrode scatters and its equivalence points lie
 * at the jumps. An electrode that lags behind is recognised the same way.
 */
final readonly class ChargeBalanceFit
{
    /** Usual titrant of a school bench, mol/L, and usual volume in a beaker, mL: ln of each, and how far it may be off. */
    private const USUAL_TITRANT = [-2.303, 0.7];

    private const USUAL_VOLUME = [3.9, 0.6];

    /** A typed titrant concentration is held to a few per cent: it enters the shape of the curve only weakly. */
    private const KNOWN_TITRANT_WIDTH = 0.03;

    /** With water added a beaker holds one to four times the sample. */
    private const KNOWN_SAMPLE = [0.5, 0.45];

    /** A point further off than this many standard deviations is left out, and the fit is done again. */
    private const OUTLIER = 4.5;

    /** At most one point and this share of all may be left out. */
    private const MOST_OUTLIERS = 0.02;

    /** Residuals larger than this many times the scatter of neighbouring points mean another chemistry. */
    private const WORST_MISFIT = 2.5;

    /** ... and larger than this many times, a slow electrode perhaps. */
    private const MISFIT = 1.5;

    /** A guess that is near the truth settles in ten steps or so. */
    private const STEPS = 40;

    /** Steps of a ten-thousandth of a standard error no longer matter here. */
    private const COARSENESS = 1e6;

    /** No pH is read better than this. */
    private const LEAST_NOISE = 0.003;

    /** Differences of the criterion below this mean nothing much (Burnham and Anderson, Model Selection, 2002, 2.6). */
    private const CLOSE = 3.0;

    /** Correlation of neighbouring residuals above which a lag is looked for. */
    private const PERSISTENT = 0.25;

    /** A lag must improve the criterion by this much before the electrode is called slow. */
    private const LAG_MUST_GAIN = 10.0;

    /**
     * @param  non-empty-list<EquivalencePoint>  $jumps
     * @param  float|null  $titrant  mol/L, if known
     * @param  float|null  $sample  mL, if known
     * @return RefinedTitration|null null if no guess describes the curve
     */
    public function refine(TitrationCurve $curve, array $jumps, ?float $titrant = null, ?float $sample = null): ?RefinedTitration
    {
        $isAcid = $curve->direction() > 0;
        $p = array_map(static fn (float $ph): float => $isAcid ? $ph : 14.0 - $ph, $curve->points->y);
        $held = [
            $titrant === null ? self::USUAL_TITRANT : [log($titrant), self::KNOWN_TITRANT_WIDTH],
            $sample === null ? self::USUAL_VOLUME : [log($sample) + self::KNOWN_SAMPLE[0], self::KNOWN_SAMPLE[1]],
        ];
        $noise = max($curve->noise, self::LEAST_NOISE);
        $phAt = static function (float $volume) use ($curve, $isAcid): float {
            $x = $curve->points->x;
            $ph = $curve->points->at(max($x[0], min($x[count($x) - 1], $volume))) ?? 7.0;

            return $isAcid ? $ph : 14.0 - $ph;
        };
        $guesses = Chemistry::guesses(array_map(static fn (EquivalencePoint $j): float => $j->volume->value, $jumps), $phAt);
        $try = function (bool $hasLag) use ($guesses, $curve, $p, $held, $noise, $jumps): ?ChargeBalanceTrial {
            $trials = array_map(fn (Chemistry $c): ?ChargeBalanceTrial => $this->trial($c, $curve->points->x, $p, $held, $noise, $hasLag), $guesses);

            return self::best(array_values(array_filter($trials, static fn (?ChargeBalanceTrial $t): bool => $t !== null && $t->isDistinct() && $t->at($jumps) !== null)));
        };
        $best = $try(false);
        // A slow electrode leaves residuals of one sign in a row, and wild ones at the jump.
        if ($best === null || $best->left !== [] || $best->persistence() > self::PERSISTENT || $best->scatter > self::MISFIT * $noise) {
            $lagging = $try(true);
            $best = $lagging !== null && $lagging->criterion < ($best->criterion ?? INF) - self::LAG_MUST_GAIN ? $lagging : $best;
        }
        $volumes = $best?->at($jumps);

        return $best === null || $volumes === null || $best->scatter > self::WORST_MISFIT * $noise
            ? null : new RefinedTitration($volumes, $best->pKs($isAcid), $best->lag(), $best->scatter, $best->hidden($jumps), $best->left);
    }

    /**
     * The best guess; of those about equally good the one with the fewest constants.
     *
     * @param  list<ChargeBalanceTrial|null>  $trials
     */
    private static function best(array $trials): ?ChargeBalanceTrial
    {
        $trials = array_values(array_filter($trials));
        if ($trials === []) {
            return null;
        }
        $least = min(INF, ...array_map(static fn (ChargeBalanceTrial $t): float => $t->criterion, $trials));
        $close = array_values(array_filter($trials, static fn (ChargeBalanceTrial $t): bool => $t->criterion <= $least + self::CLOSE));
        usort($close, static fn (ChargeBalanceTrial $a, ChargeBalanceTrial $b): int => [$a->constantCount(), $a->criterion] <=> [$b->constantCount(), $b->criterion]);

        return $close[0] ?? null;
    }

    /**
     * @param  list<float>  $volumes
     * @param  list<float>  $p
     * @param  array{array{float, float}, array{float, float}}  $held
     */
    private function trial(Chemistry $chemistry, array $volumes, array $p, array $held, float $noise, bool $hasLag): ?ChargeBalanceTrial
    {
        $start = [...$chemistry->amounts, ...$chemistry->pKs, $held[0][0], $held[1][0], ...($hasLag ? [0.2] : [])];
        $most = 1 + (int) floor(self::MOST_OUTLIERS * count($p));
        $left = [];
        while (true) {
            $model = new ChargeBalance($chemistry, $volumes, $p, [$held[0][1], $held[1][1]], $hasLag);
            $y = [...$p, $held[0][0] / $held[0][1], $held[1][0] / $held[1][1]];
            $weights = [...array_fill(0, count($p), 1.0 / ($noise * $noise)), 1.0, 1.0];
            if (count($p) < count($start)) {
                return null;
            }
            $found = (new LevenbergMarquardt(self::STEPS, 1.0, self::COARSENESS))->minimum($model, $y, $start, $weights, $this->bounds($chemistry, $hasLag));
            if (! $found->hasConverged()) {
                return null;
            }
            $trial = ChargeBalanceTrial::of($chemistry, $found, $hasLag, $left);
            $wild = $trial?->wildest(self::OUTLIER);
            // Points are left out of a guess that fits, never to make one fit.
            if ($trial === null || $wild === null || count($left) >= $most || $trial->robustScatter() > self::WORST_MISFIT * $noise) {
                return $trial;
            }
            $left[] = $volumes[$wild];
            array_splice($volumes, $wild, 1);
            array_splice($p, $wild, 1);
            $start = $found->constants;
        }
    }

    private function bounds(Chemistry $chemistry, bool $hasLag): Bounds
    {
        $names = [];
        $limits = [];
        foreach (array_keys($chemistry->amounts) as $m) {
            $names[] = "amount{$m}";
            $limits["amount{$m}"] = [0.0, null];
        }
        foreach (array_keys($chemistry->pKs) as $k) {
            $names[] = "pK{$k}";
            $limits["pK{$k}"] = [-1.0, 15.0];
        }
        $limits['lag'] = [0.0, 0.9];
        $names = [...$names, 'c', 'v0', ...($hasLag ? ['lag'] : [])];

        return Bounds::of($names, array_intersect_key($limits, array_flip($names)));
    }
}
