<?php

declare(strict_types=1);

namespace Welkion\Core\Straighten;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\Ranking;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Units\Unit;

/**
 * Tries the usual ways to make a relation straight and ranks what they mean.
 *
 * R² of a transformed y says little beside R² of another, so relations are ranked by how well they describe y
 * itself, by Akaike's criterion for few points, once for errors of one size and once for errors in proportion to y
 * (Burnham and Anderson, Model Selection and Multimodel Inference, 2002, 2.4 and 2.11). Of relations that are about
 * equally good the one with the fewest constants comes first.
 */
final readonly class Straightener
{
    public const LEAST_POINTS = 5;

    /** How the reason ends why a way was skipped that a column in kelvin could go. */
    public const NEEDS_KELVIN = 'this needs kelvin.';

    /** Why a way was skipped of which there is nothing more to say. */
    public const NOT_FITTED = 'This relation could not be fitted to these points.';

    public function __construct(private CurveFitter $fitter = new CurveFitter)
    {
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y  same length as $x
     * @param  Unit|null  $xUnit  in one that does not start at zero a ratio or a logarithm means nothing, and is not tried; null: not known
     *
     * @throws UnequalLengths If the columns differ in length.
     * @throws NotEnoughPoints If there are fewer than five points, or all at one x.
     * @throws InvalidQuantity If a value is not finite.
     */
    public function straighten(array $x, array $y, ?Unit $xUnit = null, ?Unit $yUnit = null): Straightening
    {
        if (count($x) !== count($y)) {
            throw UnequalLengths::between(count($x), count($y));
        }
        $different = count(array_unique(array_map(strval(...), array_map(json_encode(...), $x))));
        if ($different < self::LEAST_POINTS) {
            throw NotEnoughPoints::need('Straightening', self::LEAST_POINTS, $different);
        }
        $found = [];
        $skipped = [];
        foreach (Transformation::all() as $transformation) {
            $name = $transformation->relation->value;
            $reason = $transformation->needsZero($xUnit, $yUnit) ?? $transformation->obstacle($x, $y);
            $candidate = $reason === null ? $this->candidate($transformation, $x, $y) : null;
            if ($candidate === null) {
                $skipped[$name] = $reason ?? self::NOT_FITTED;
            } else {
                $found[] = $candidate;
            }
        }
        if ($found === []) {
            throw new \LogicException('A straight line can be laid through any five points.');
        }

        return new Straightening(self::ranked($found), $skipped);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    private function candidate(Transformation $transformation, array $x, array $y): ?Candidate
    {
        $fit = $this->fitter->fit($transformation->relation->curve(), $x, $y);
        if (! $fit->hasConverged()) {
            return null;
        }
        [$plottedX, $plottedY] = $transformation->plotted($x, $y, $fit);
        $line = $transformation->relation === Relation::Proportional ? Relation::Proportional : Relation::Linear;
        if (count($plottedX) < 3) {
            return null;
        }

        return new Candidate(
            $transformation->relation,
            $transformation->x,
            $transformation->y,
            $this->fitter->fit($line->curve(), $plottedX, $plottedY),
            $fit,
            min($fit->criterion(array_sum(array_map(static fn (float $v): float => $v * $v, $y))), $this->criterionOfRelativeErrors($fit, $x, $y)),
            $plottedX,
            $plottedY,
        );
    }

    /**
     * AICc of the relation when the error of each y is a share of it; INF where the curve comes to zero.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    private function criterionOfRelativeErrors(Fit $fit, array $x, array $y): float
    {
        $heights = $fit->at($x);
        $logs = 0.0;
        $weights = [];
        foreach ($heights as $height) {
            if ($height === 0.0) {
                return INF;
            }
            $logs += log(abs($height));
            $weights[] = 1.0 / $height ** 2;
        }
        $again = $this->fitter->fit($fit->curve, $x, $y, array_combine($fit->curve->constants, $fit->values()), $weights);

        // The density of y is that of the relative error divided by the height: 2 ln|height| each.
        return $again->hasConverged() ? $again->criterion((float) count($y)) + 2.0 * $logs : INF;
    }

    /**
     * @param  non-empty-list<Candidate>  $candidates
     * @return non-empty-list<Candidate>
     */
    private static function ranked(array $candidates): array
    {
        $order = Ranking::simplestOfTheBest(array_map(static fn (Candidate $c): array => [$c->criterion, count($c->fit->constants)], $candidates));

        return array_map(static fn (int $place): Candidate => $candidates[$place], $order);
    }
}
