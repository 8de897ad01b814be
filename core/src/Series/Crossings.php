<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

/** Where a run passes through a height, read on the straight lines between its points. */
final class Crossings
{
    /** @return list<float> every x at which y has this value, in rising order; a stretch that lies on it counts once */
    public static function of(Series $series, float $height): array
    {
        $found = [];
        for ($i = 0, $n = $series->count(); $i < $n; $i++) {
            $here = $series->y[$i] - $height;
            if ($here === 0.0) {
                if ($i === 0 || $series->y[$i - 1] !== $height) {
                    $found[] = $series->x[$i];
                }

                continue;
            }
            $before = $i > 0 ? $series->y[$i - 1] - $height : 0.0;
            if ($before * $here < 0.0) {
                $found[] = $series->x[$i - 1] + ($series->x[$i] - $series->x[$i - 1]) * $before / ($before - $here);
            }
        }

        return $found;
    }
}
