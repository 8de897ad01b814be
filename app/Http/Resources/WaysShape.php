<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Notebook\Straightened;
use Welkion\Core\Straighten\Way;

/** The ways to make two columns straight in the shape of the HTTP API, the best first. */
final class WaysShape
{
    /** @return array<string, mixed> */
    public static function of(Straightened $told): array
    {
        return [
            'n' => $told->n, 'looked' => $told->looked, 'ways' => array_map(self::way(...), $told->ways),
            'skipped' => array_map(static fn (array $s): array => ['reason' => $s[0], 'inKelvin' => $s[1]], $told->skipped()),
            'warnings' => array_map(WorkedLineShape::warning(...), $told->result->warnings()),
        ];
    }

    /** @return array<string, mixed> */
    private static function way(Way $way): array
    {
        $candidate = $way->candidate;
        $ends = [min([INF, ...$candidate->plottedX]), max([-INF, ...$candidate->plottedX])];

        return [
            'relation' => $candidate->relation->value, 'title' => $way->title(), 'x' => $candidate->plottedX, 'y' => $candidate->plottedY, 'residuals' => $candidate->line->residuals,
            'line' => array_map(static fn (float $at): array => [$at, $way->candidate->intercept() + $way->candidate->slope() * $at], $ends),
            'rSquared' => is_finite($candidate->line->rSquared) ? $candidate->line->rSquared : null, 'verdict' => $way->verdict(), 'isStraight' => $way->verdict() === 'straight',
            'slope' => MeasuredResource::shape($way->slope), 'meaning' => $way->meaning(), 'constant' => $way->constant(), 'origin' => $way->origin(),
        ];
    }
}
