<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Recording\RunPicture;

/** Pictures of a run as JSON. */
final class PointsShape
{
    /** @return array<string, mixed> */
    public static function of(RunPicture $run): array
    {
        $columns = [];
        foreach ($run->pictures as $symbol => $picture) {
            $columns[] = ['symbol' => (string) $symbol, 'showsSamples' => $picture->showsSamples] + ($picture->showsSamples ? [
                'times' => array_map(static fn (float $t): float => $run->from + ($t - $picture->from), $picture->times), 'values' => self::numbers($picture->lows),
            ] : ['lows' => self::numbers($picture->lows), 'highs' => self::numbers($picture->highs)]);
        }

        return ['from' => $run->from, 'to' => $run->to, 'columns' => $columns];
    }

    /**
     * @param  list<float>  $values
     * @return list<float|null>
     */
    private static function numbers(array $values): array
    {
        return array_map(static fn (float $v): ?float => is_finite($v) ? $v : null, $values);
    }
}
