<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

/**
 * Writes a product of units in one line: "kg m/s^2", "J/(g K)", "1/s".
 *
 * @internal used by Unit alone
 */
final class UnitSymbol
{
    /** @param  array<string, float>  $parts  named unit to power */
    public static function of(array $parts): string
    {
        $above = [];
        $below = [];
        foreach ($parts as $name => $power) {
            if ($power > 0.0) {
                $above[] = self::power((string) $name, $power);
            } else {
                $below[] = self::power((string) $name, -$power);
            }
        }
        $top = implode(' ', $above);
        if ($below === []) {
            return $top;
        }
        $bottom = implode(' ', $below);

        return ($top === '' ? '1' : $top).'/'.(count($below) > 1 ? "({$bottom})" : $bottom);
    }

    private static function power(string $name, float $power): string
    {
        return $power === 1.0 ? $name : $name.'^'.rtrim(rtrim(sprintf('%.4F', $power), '0'), '.');
    }
}
