<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Fitting\Bounds;
use Welkion\Core\Fitting\LevenbergMarquardt;
use Welkion\Core\Linear\Triangle;
use Welkion\Core\Linear\Weighting;
use Welkion\Core\Series\Series;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;

/**
 * The equivalence volume of a conductometric titration: where two straight lines cross once the conductivity is
 * corrected for dilution (Skoog, Holler and Crouch, Principles of Instrumental Analysis, 7th edition, 24D).
 *
 * Both lines, a rounding of their corner and the dilution are fitted at once. Points at the start that bend, as of a
 * weak acid before it is buffered, are left out.
 */
final readonly class ConductivityTitration
{
    public const MIN_POINTS = 8;

    /** Points on each line at least. */
    private const EACH_SIDE = 4;

    /** ln of a usual volume in the beaker, mL, and how far it may be off; with a typed sample one to four times it. */
    private const USUAL_VOLUME = [4.6, 0.6];

    private const KNOWN_SAMPLE = [0.7, 0.5];

    /** A corner is no corner unless the lines differ by this many standard errors of their difference. */
    private const LEAST_BEND = 8.0;

    /** Leaving out points at the start must make the misfit so much smaller before it is done. */
    private const WORTH_LEAVING = 0.75;

    /** Usual scatter of a conductivity reading, as a share of it. */
    private const USUAL_SCATTER = 0.005;

    /** Half widths of a rounded corner to try, in steps, and that of a sharp one. */
    private const ROUNDINGS = [0.5, 1.0, 2.0, 4.0];

    private const SHARP = 0.01;

    /** A rounder corner must leave so much smaller squares before it is believed. */
    private const WORTH_ROUNDING = 0.9;

    /**
     * @param  Measured|null  $volume  in mL; null if the points show no corner
     * @param  float  $conductivity  there, in the unit of the points
     * @param  list<Warning>  $warnings
     */
    private function __construct(public Series $points, public ?Measured $volume, public float $conductivity, public array $warnings)
    {
    }

    /**
     * @param  list<float>  $millilitres  in any order
     * @param  list<float>  $conductivity  in any unit, same length
     * @param  float|null  $sample  mL, if known
     *
     * @throws UnequalLengths If the columns differ in length.
     * @throws NotEnoughPoints If there are fewer than eight different volumes.
     * @throws InvalidQuantity If a number is not finite or a conductivity not above zero.
     */
    public static function of(array $millilitres, array $conductivity, ?float $sample = null): self
    {
        $points = Series::of($millilitres, $conductivity);
        if ($points->count() < self::MIN_POINTS) {
            throw NotEnoughPoints::need('A conductometric titration', self::MIN_POINTS, $points->count());
        }
        foreach ($points->y as $value) {
            if ($value <= 0.0) {
                throw InvalidQuantity::mustBePositive('conductivity', $value, '');
            }
        }
        $held = $sample === null ? self::USUAL_VOLUME : [log($sample) + self::KNOWN_SAMPLE[0], self::KNOWN_SAMPLE[1]];
        $best = null;
        $least = INF;
        $left = 0;
        $corner = null;
        $stride = max(1, intdiv($points->count(), 25));
        for ($from = 0; $from + 2 * self::EACH_SIDE <= $points->count(); $from += $stride) {
            if ($corner !== null && $points->x[$from + self::EACH_SIDE - 1] > $corner) {
                break;
            }
            $fit = self::corner($points->from($from), $held);
            if ($fit !== null && $fit['misfit'] < self::WORTH_LEAVING * $least) {
                [$best, $least, $left, $corner] = [$fit, $fit['misfit'], $from, $fit['volume']];
            }
        }
        // A line that is not quite straight shows when half of it is left out.
        $before = count(array_filter($points->x, static fn (float $v): bool => $best !== null && $v < $best['volume'])) - $left;
        $fewer = $best === null || $before < 2 * self::EACH_SIDE ? null : self::corner($points->from($left + intdiv($before, 2)), $held);
        if ($best === null || $best['bend'] < self::LEAST_BEND) {
            return new self($points, null, NAN, [new Warning('no-corner', 'No corner stands out from the scatter.',
                'The lines before and after it must differ. Take readings further past the equivalence volume.')]);
        }

        $uncertainty = hypot($best['uncertainty'], $fewer === null ? 0.0 : $fewer['volume'] - $best['volume']);

        return new self($points, Measured::of($best['volume'], $uncertainty, Unit::parse('mL')), $points->at($best['volume']) ?? NAN, self::warnings($points, $best, $left));
    }

    /**
     * @param  array{float, float}  $held
     * @return array{volume: float, uncertainty: float, rounding: float, misfit: float, bend: float}|null
     */
    private static function corner(Series $points, array $held): ?array
    {
        $n = $points->count();
        $scale = array_sum($points->y) / $n;
        $step = ($points->x[$n - 1] - $points->x[0]) / ($n - 1);
        $weights = [...array_map(static fn (float $y): float => ($scale / $y) ** 2, $points->y), 1.0];
        // The row that holds the volume counts like a point of the usual scatter.
        $y = [...$points->y, $held[0] / $held[1] * self::USUAL_SCATTER * $scale];
        $bounds = Bounds::of(CornerModel::CONSTANTS, ['v' => [$points->x[self::EACH_SIDE - 1], $points->x[$n - self::EACH_SIDE]]]);
        $search = new LevenbergMarquardt(25, 1.0, 1e6);
        $best = null;
        $rounding = 0.0;
        // A corner can lie anywhere but in the first or last few points; the lowest valley is the right one.
        for ($i = self::EACH_SIDE - 1; $i <= $n - self::EACH_SIDE; $i += max(1, intdiv($n, 8))) {
            $model = new CornerModel($points->x, $held[1], self::USUAL_SCATTER * $scale, self::SHARP * $step);
            $found = $search->minimum($model, $y, CornerModel::start($points, $i, $held[0]), $weights, $bounds);
            if ($found->hasConverged() && ($best === null || $found->residualSumOfSquares < $best->residualSumOfSquares)) {
                [$best, $rounding] = [$found, self::SHARP * $step];
            }
        }
        if ($best === null) {
            return null;
        }
        $sharp = $best->constants[CornerModel::VOLUME];
        foreach (self::ROUNDINGS as $steps) {
            $model = new CornerModel($points->x, $held[1], self::USUAL_SCATTER * $scale, $steps * $step);
            $found = $search->minimum($model, $y, $best->constants, $weights, $bounds);
            if ($found->hasConverged() && $found->residualSumOfSquares < self::WORTH_ROUNDING * $best->residualSumOfSquares) {
                [$best, $rounding] = [$found, $steps * $step];
            }
        }
        if ($best->atBound[CornerModel::VOLUME]) {
            return null;
        }
        $columns = array_map(static fn (array $c): array => Weighting::on($c, array_map(sqrt(...), $weights)), $best->slopes);
        $triangle = Triangle::of($columns);
        if (! $triangle->isIndependent(1e-10)) {
            return null;
        }
        $gram = $triangle->inverseGram();
        $variance = $best->residualSumOfSquares / max(1, $n - count($columns) + 1);

        return [
            'volume' => $best->constants[CornerModel::VOLUME],
            'uncertainty' => hypot(sqrt($variance * $gram[CornerModel::VOLUME][CornerModel::VOLUME]), $best->constants[CornerModel::VOLUME] - $sharp),
            'rounding' => $rounding,
            'misfit' => sqrt($variance),
            'bend' => abs($best->constants[CornerModel::CHANGE]) / sqrt(max(1e-300, $variance * $gram[CornerModel::CHANGE][CornerModel::CHANGE])),
        ];
    }

    /**
     * @param  array{volume: float, uncertainty: float, rounding: float, misfit: float, bend: float}  $corner
     * @return list<Warning>
     */
    private static function warnings(Series $points, array $corner, int $left): array
    {
        $warnings = [];
        if ($left > 0) {
            $warnings[] = new Warning('bent-start', sprintf('The first %d readings were left out.', $left), 'They do not lie on the line before the corner.');
        }
        $step = ($points->x[$points->count() - 1] - $points->x[0]) / ($points->count() - 1);
        if ($corner['rounding'] > 2.0 * $step) {
            $warnings[] = new Warning('rounded-corner', 'The corner is rounded.', 'The lines before and after it were used to find where they cross.');
        }

        return $warnings;
    }
}
