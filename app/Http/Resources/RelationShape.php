<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Fitting\Methods\RelationFit;
use Welkion\Core\Notebook\Related;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Mark;

/** One relation between two columns, as a line of working would have it, in the shape of the HTTP API. */
final class RelationShape
{
    /**
     * @param  array<string, string>  $texts  what the method is given
     * @return array<string, mixed>
     */
    public static function of(Related $related, array $texts, string $x, string $y): array
    {
        [$outcome, $looked] = $related->one($texts);
        $goodness = $outcome->goodness;
        $begun = $related->begun($texts);
        $words = (new RelationFit)->outcomeWords($texts);

        return [
            'n' => $related->n, 'looked' => $looked, 'setAside' => $related->setAside, 'constants' => $related->constants($texts['relation'], $texts['formula']),
            'values' => array_map(static fn (string $name, Measured $m): array => ['name' => $name, 'words' => $words[$name] ?? '', 'measured' => MeasuredResource::shape($m)], array_keys($outcome->values), array_values($outcome->values)),
            'explanation' => $outcome->explanation === null ? null : ['symbols' => $outcome->explanation->symbols->toArray(), 'numbers' => $outcome->explanation->numbers?->toArray()],
            'goodness' => $goodness === null ? null : GoodnessShape::of($goodness, $outcome->values),
            'residuals' => ['x' => $goodness->x ?? [], 'residuals' => $goodness->residuals ?? []],
            'marks' => WorkedLineShape::marks($outcome, ['x' => $x, 'y' => $y]), 'begun' => $begun === null ? null : self::curve($begun),
            'warnings' => array_map(WorkedLineShape::warning(...), $outcome->warnings), 'needs' => $outcome->needs,
        ];
    }

    /** @return array{x: list<float>, y: list<float|null>} where the curve has no value there is a gap */
    private static function curve(Mark $mark): array
    {
        return ['x' => $mark->x, 'y' => array_map(static fn (float $height): ?float => is_finite($height) ? $height : null, $mark->y)];
    }
}
