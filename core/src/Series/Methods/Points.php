<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Exception\MissingInput;
use Welkion\Core\Series\Series;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;

/** The columns x and y of a method's inputs as points. */
final class Points
{
    /** @var \WeakMap<ColumnInput, array{\WeakReference<ColumnInput>, Series}>|null by y, with its x: several methods are asked of one span */
    private static ?\WeakMap $known = null;

    /** @throws MissingInput */
    public static function of(Inputs $inputs): Series
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $known = self::known();
        [$along, $series] = $known[$y] ?? [null, null];
        if ($series === null || $along?->get() !== $x) {
            $series = Series::of($x->values, $y->values, $x->isRising());
            $known[$y] = [\WeakReference::create($x), $series];
        }

        return $series;
    }

    /** @return \WeakMap<ColumnInput, array{\WeakReference<ColumnInput>, Series}> */
    private static function known(): \WeakMap
    {
        if (self::$known === null) {
            /** @var \WeakMap<ColumnInput, array{\WeakReference<ColumnInput>, Series}> $none */
            $none = new \WeakMap;
            self::$known = $none;
        }

        return self::$known;
    }
}
