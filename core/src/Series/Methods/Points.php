<?php

declare(strict_types=1);

namespace Welkion\Core\Series\Methods;

use Welkion\Core\Exception\MissingInput;
use Welkion\Core\Series\Series;
use Welkion\Core\Working\Inputs;

/** The columns x and y of a method's inputs as points. */
final class Points
{
    /** @throws MissingInput */
    public static function of(Inputs $inputs): Series
    {
        $x = $inputs->column('x');

        return Series::of($x->values, $inputs->column('y')->values, $x->isRising());
    }
}
