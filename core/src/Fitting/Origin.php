<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\ColumnInput;

/**
 * Through the origin or not? Asked of the relations that differ only by a part that is added, and judged by its 95 % interval; one drawn
 * without it by the curve that is free to have it.
 */
final class Origin
{
    /** @return string in words; empty where that is no question */
    public static function judged(Fit $fit, ColumnInput $x, ColumnInput $y): string
    {
        $relation = Relation::tryFrom($fit->curve->name);
        $free = $relation?->withHeight();
        if ($free === null || isset($fit->curve->held['b']) || $fit->n() <= count($free->curve()->constants)) {
            return '';
        }
        $height = ($free === $relation ? $fit : (new CurveFitter)->fit($free->curve(), $x->values, $y->values))->constant('b');

        return $height === null ? '' : self::of($relation, $height, $x, $y);
    }

    /** @param  FittedConstant  $height  the part that is added, where it is free */
    public static function of(Relation $relation, FittedConstant $height, ColumnInput $x, ColumnInput $y): string
    {
        if (! is_finite($height->standardError) || ! $y->unit->startsAtZero() || ($relation->isOfLine() && ! $x->unit->startsAtZero())) {
            return '';
        }
        [$low, $high] = $height->interval();
        $is = $low <= 0.0 && $high >= 0.0 ? 'is zero within its ±' : 'is not zero';
        $told = Digits::told(Measured::of($height->value, $height->standardError, $y->unit));
        [$what, $drawn] = $relation->isOfLine() ? ['intercept', 'through the origin'] : ['added part', 'without an added part'];

        return match (true) {
            $relation->withHeight() === $relation => "The {$what} {$is} ({$told}).",
            default => "Drawn {$drawn}; left free, the {$what} {$is} ({$told}).",
        };
    }
}
