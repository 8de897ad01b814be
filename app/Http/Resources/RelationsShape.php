<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Fitting\TriedRelation;
use Welkion\Core\Formula\Typeset;
use Welkion\Core\Notebook\Related;

/** The relations between two columns in the shape of the HTTP API, the best first, each with a small picture of itself. */
final class RelationsShape
{
    private const DRAWN_POINTS = 48;

    /** @return array<string, mixed> */
    public static function of(Related $related, string $x, string $y): array
    {
        [$xs, $ys] = $related->points();
        $relations = $related->relations();
        $at = Curve::places($xs, self::DRAWN_POINTS);

        return [
            'x' => $x, 'y' => $y, 'n' => $related->n, 'looked' => count($xs), 'setAside' => $related->setAside, 'points' => ['x' => $xs, 'y' => $ys], 'curveX' => $at,
            'relations' => array_map(static fn (TriedRelation $one): array => self::one($one, $relations[0], $at, $ys, $x, $y), $relations),
        ];
    }

    /**
     * @param  list<float>  $at
     * @param  list<float>  $ys
     * @return array<string, mixed>
     */
    private static function one(TriedRelation $one, TriedRelation $best, array $at, array $ys, string $x, string $y): array
    {
        $fit = $one->fit;
        $relation = $one->relation;

        return [
            'relation' => $relation->value, 'title' => $relation->title(), 'meaning' => $relation->meaningOf($x, $y),
            'formula' => Typeset::formula($relation->curve()->formula, names: ['x' => $x])->toArray(), 'sibling' => $relation->sibling()?->value, 'toSibling' => $relation->toSibling(),
            'curve' => array_map(static fn (float $height): ?float => is_finite($height) ? $height : null, $fit?->at($at) ?? []),
            'rSquared' => $fit === null || is_nan($fit->rSquared) ? null : $fit->rSquared,
            'verdict' => $best->fit === null ? '' : $one->verdict($best->fit, $ys), 'reason' => Relation::about($one->reason, $x, $y),
            'inKelvin' => match ($one->inKelvin) {
                'x' => $x, 'y' => $y, default => null
            },
        ];
    }
}
