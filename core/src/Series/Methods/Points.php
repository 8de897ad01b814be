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
        return Series::of($inputs->column('x')->values, $inputs->column('y')->values);
    }
}
