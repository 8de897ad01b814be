<?php

declare(strict_types=1);

namespace Welkion\Core\Tests;

/** How far a study goes: a part of it at every run of the tests, all of it before a release (bin/test --thorough). */
final class Thorough
{
    public static function times(int $usually, int $thoroughly): int
    {
        return getenv('WELKION_THOROUGH') === false ? $usually : $thoroughly;
    }
}
