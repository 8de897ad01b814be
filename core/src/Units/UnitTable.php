<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

/**
 * The named units and the prefixes they take.
 *
 * Factors turn one unit into the coherent SI unit of its dimension (BIPM, The International System of
 * Units, 9th edition, 2019).
 *
 * @internal used by UnitParser alone
 */
final class UnitTable
{
    /** Symbol to [factor to SI, offset in SI, powers of the bases, takes prefixes]. */
    private const UNITS = [
        'm' => [1.0, 0.0, ['m' => 1], true],
        'g' => [1e-3, 0.0, ['kg' => 1], true],
        's' => [1.0, 0.0, ['s' => 1], true],
        'A' => [1.0, 0.0, ['A' => 1], true],
        'K' => [1.0, 0.0, ['K' => 1], true],
        'mol' => [1.0, 0.0, ['mol' => 1], true],
        'pH' => [1.0, 0.0, ['pH' => 1], false],
        'L' => [1e-3, 0.0, ['m' => 3], true],
        'min' => [60.0, 0.0, ['s' => 1], false],
        'h' => [3600.0, 0.0, ['s' => 1], false],
        'Hz' => [1.0, 0.0, ['s' => -1], true],
        'N' => [1.0, 0.0, ['m' => 1, 'kg' => 1, 's' => -2], true],
        'Pa' => [1.0, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], true],
        'J' => [1.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -2], true],
        'W' => [1.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -3], true],
        'C' => [1.0, 0.0, ['s' => 1, 'A' => 1], true],
        'V' => [1.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -3, 'A' => -1], true],
        'S' => [1.0, 0.0, ['m' => -2, 'kg' => -1, 's' => 3, 'A' => 2], true],
        '°C' => [1.0, 273.15, ['K' => 1], false],
        '%' => [1e-2, 0.0, [], false],
        '1' => [1.0, 0.0, [], false],
    ];

    private const PREFIXES = [
        'G' => 1e9, 'M' => 1e6, 'k' => 1e3, 'h' => 1e2, 'd' => 1e-1, 'c' => 1e-2, 'm' => 1e-3, 'µ' => 1e-6, 'n' => 1e-9,
    ];

    /** What people type, and the symbol it stands for. */
    private const SPELLINGS = [
        'l' => 'L', 'ml' => 'mL', 'degC' => '°C', '℃' => '°C', 'M' => 'mol/L', 'mM' => 'mmol/L',
    ];

    public static function spelling(string $symbol): string
    {
        $symbol = str_replace(["\u{03BC}", 'uS', 'uL', 'ul'], ['µ', 'µS', 'µL', 'µL'], $symbol);

        return self::SPELLINGS[$symbol] ?? $symbol;
    }

    public static function find(string $symbol): ?Unit
    {
        if (isset(self::UNITS[$symbol])) {
            [$factor, $offset, $powers] = self::UNITS[$symbol];

            return new Unit($symbol, Dimension::of($powers), $factor, $offset);
        }

        $prefix = mb_substr($symbol, 0, 1);
        $stem = mb_substr($symbol, 1);
        if (! isset(self::PREFIXES[$prefix], self::UNITS[$stem]) || ! self::UNITS[$stem][3]) {
            return null;
        }

        [$factor, , $powers] = self::UNITS[$stem];

        return new Unit($symbol, Dimension::of($powers), $factor * self::PREFIXES[$prefix], 0.0);
    }
}
