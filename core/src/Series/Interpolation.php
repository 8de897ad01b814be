<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Series\Methods\Points;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Working\Inputs;

/** y read at an x on the straight line between its two neighbours, with what is not known of either. */
final class Interpolation
{
    /** @return Measured|null null outside of the points */
    public static function at(Inputs $inputs, Measured $x): ?Measured
    {
        $series = Points::of($inputs);
        $y = $series->at($x->value);
        if ($y === null) {
            return null;
        }
        // What is not known of x is not known of y, by the slope there.
        $slope = $x->uncertainty === 0.0 ? 0.0 : $series->slopeAt($x->value) ?? 0.0;
        $column = $inputs->column('y');

        return Measured::with($y, $column->unit, Shares::combined([
            [$x->shares, $slope],
            [Shares::of($inputs->source("scatter of {$column->name} at ".json_encode($x->value)), self::scatter($inputs, $x->value)), 1.0],
        ]));
    }

    /** Scatter of a value between two rows: theirs, as far as each counts. */
    private static function scatter(Inputs $inputs, float $at): float
    {
        $scatter = $inputs->column('y')->scatter;
        if ($scatter === null) {
            return 0.0;
        }
        $x = $inputs->column('x')->values;
        asort($x);
        $before = null;
        foreach ($x as $row => $value) {
            if ($value >= $at) {
                $share = $before === null || $value === $x[$before] ? 1.0 : ($at - $x[$before]) / ($value - $x[$before]);

                return hypot($share * $scatter[$row], (1.0 - $share) * ($before === null ? 0.0 : $scatter[$before]));
            }
            $before = $row;
        }

        return 0.0;
    }
}
