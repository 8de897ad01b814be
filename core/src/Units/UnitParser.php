<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

use Welkion\Core\Exception\UnknownUnit;

/**
 * Reads a unit as people write it: "mL", "mol/L", "J/(g K)", "cm3", "cm³", "mL^-1".
 *
 * @internal reached through Unit::parse()
 */
final class UnitParser
{
    private const SUPERSCRIPTS = [
        '⁻' => '-', '⁰' => '0', '¹' => '1', '²' => '2', '³' => '3', '⁴' => '4',
    ];

    /** @throws UnknownUnit If a part of the text names no unit. */
    public static function parse(string $text): Unit
    {
        $text = trim(strtr($text, self::SUPERSCRIPTS));
        if ($text === '') {
            return Unit::one();
        }

        // A slash divides by what follows it, up to the next slash; brackets around that are allowed.
        $parts = explode('/', $text);
        $unit = self::product($parts[0], $text);
        foreach (array_slice($parts, 1) as $part) {
            $unit = $unit->per(self::product(trim($part, " \t()"), $text));
        }

        return $unit->calledAs(self::tidied($text));
    }

    private static function product(string $text, string $whole): Unit
    {
        $factors = preg_split('/[\s·*]+/u', trim($text), -1, PREG_SPLIT_NO_EMPTY);
        $unit = null;
        foreach ($factors === false ? [] : $factors as $factor) {
            $next = self::factor($factor, $whole);
            // A unit standing alone stays as it is: °C may not be multiplied, not even by one.
            $unit = $unit === null ? $next : $unit->times($next);
        }

        return $unit ?? Unit::one();
    }

    private static function factor(string $text, string $whole): Unit
    {
        $symbol = UnitTable::spelling($text);
        if (str_contains($symbol, '/')) {
            return self::parse($symbol);
        }
        $named = UnitTable::find($symbol);
        if ($named !== null) {
            return $named;
        }
        if (preg_match('/^(.*?[^\d^-])\^?(-?\d)$/u', $text, $match) === 1) {
            $base = UnitTable::find(UnitTable::spelling($match[1]));
            if ($base !== null) {
                return $base->toPower((int) $match[2]);
            }
        }

        throw UnknownUnit::in($text, $whole);
    }

    private static function tidied(string $text): string
    {
        $words = preg_split('/(?=[\s\/()·*])|(?<=[\s\/()·*])/u', $text, -1, PREG_SPLIT_NO_EMPTY);

        return implode('', array_map(UnitTable::spelling(...), $words === false ? [$text] : $words));
    }
}
