<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Working\ColumnInput;

/**
 * Lays every relation that has a name through the same points, and puts those first that make sense: by Akaike's criterion for
 * few points (Burnham and Anderson, Model Selection and Multimodel Inference, 2002, 2.4), and of about equally good ones the
 * simplest.
 */
final readonly class RelationSearch
{
    /** Through fewer points every curve goes. */
    public const LEAST_POINTS = 3;

    public function __construct(private CurveFitter $fitter = new CurveFitter)
    {
    }

    /**
     * @return list<TriedRelation> those that could be fitted first, the best first
     *
     * @throws NotEnoughPoints If there are fewer than three points at different x.
     */
    public function among(ColumnInput $x, ColumnInput $y): array
    {
        $different = count(array_unique(array_map(json_encode(...), $x->values)));
        if ($different < self::LEAST_POINTS) {
            throw NotEnoughPoints::need('A relation', self::LEAST_POINTS, $different);
        }
        $tried = array_map(fn (Relation $relation): TriedRelation => $this->tried($relation, $x, $y), Relation::cases());
        $fitted = array_values(array_filter($tried, static fn (TriedRelation $t): bool => $t->fit !== null));
        $rest = array_values(array_filter($tried, static fn (TriedRelation $t): bool => $t->fit === null));
        if ($fitted === []) {
            return $rest;
        }
        $squares = array_sum(array_map(static fn (float $v): float => $v * $v, $y->values));
        $order = Ranking::simplestOfTheBest(array_map(static fn (TriedRelation $t): array => [$t->fit?->criterion($squares) ?? INF, count($t->fit->constants ?? [])], $fitted));

        return [...self::siblingSecond(array_map(static fn (int $place): TriedRelation => $fitted[$place], $order), $squares), ...$rest];
    }

    /**
     * What differs from the first by an added part alone is looked at next, if it is about as good: is that part zero?
     *
     * @param  non-empty-list<TriedRelation>  $ranked
     * @return list<TriedRelation>
     */
    private static function siblingSecond(array $ranked, float $squares): array
    {
        $sibling = $ranked[0]->relation->sibling();
        foreach ($ranked as $place => $one) {
            if ($one->relation === $sibling && ($one->fit?->criterion($squares) ?? INF) <= ($ranked[0]->fit?->criterion($squares) ?? -INF) + Ranking::CLOSE) {
                unset($ranked[$place]);

                return [$ranked[0], $one, ...array_slice($ranked, 1)];
            }
        }

        return $ranked;
    }

    private function tried(Relation $relation, ColumnInput $x, ColumnInput $y): TriedRelation
    {
        foreach ([['x', $relation->needsZeroOfX(), $x->unit], ['y', $relation->needsZeroOfY(), $y->unit]] as [$which, $needsZero, $unit]) {
            if ($needsZero && ! $unit->startsAtZero()) {
                return new TriedRelation($relation, null, "{$which} is in {$unit->symbol}, which does not start at zero; this needs kelvin.", $which);
            }
        }
        $constants = count($relation->curve()->constants);
        if (count($x->values) <= $constants) {
            return new TriedRelation($relation, null, 'It has '.$constants.' constants; so few points cannot tell them.');
        }
        try {
            $fit = $this->fitter->fit($relation->curve(), $x->values, $y->values, xUnit: $x->unit, yUnit: $y->unit);
        } catch (CoreException $why) {
            return new TriedRelation($relation, null, $why->getMessage());
        }

        return $fit->hasConverged() ? new TriedRelation($relation, $fit) : new TriedRelation($relation, null, self::why($relation, $x) ?? $fit->outcome->sentence());
    }

    /** Where the curve has no value at some points a person is told which. */
    private static function why(Relation $relation, ColumnInput $x): ?string
    {
        $least = min([INF, ...$x->values]);

        return match (true) {
            $relation === Relation::Logarithmic && $least <= 0.0 => 'x is 0 or negative in some points.',
            $relation === Relation::SquareRoot && $least < 0.0 => 'x is negative in some points.',
            in_array($relation, [Relation::Inverse, Relation::InverseOffset, Relation::InverseSquare], true) && in_array(0.0, $x->values, true) => 'x is 0 in some points.',
            default => null,
        };
    }
}
