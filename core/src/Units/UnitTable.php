<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

/**
 * The named units and the prefixes they take.
 *
 * Factors turn one unit into the coherent SI unit of its dimension: BIPM, The International System of Units,
 * 9th edition, 2019; conventional units as in NIST Special Publication 811, appendix B (2008).
 *
 * @internal used by UnitParser and UnknownUnit
 */
final class UnitTable
{
    /** Symbol to [factor to SI, offset in SI, powers of the bases, takes prefixes]. */
    private const UNITS = [
        'm' => [1.0, 0.0, ['m' => 1], true],
        'g' => [1e-3, 0.0, ['kg' => 1], true],
        't' => [1e3, 0.0, ['kg' => 1], false],
        's' => [1.0, 0.0, ['s' => 1], true],
        'A' => [1.0, 0.0, ['A' => 1], true],
        'K' => [1.0, 0.0, ['K' => 1], true],
        'mol' => [1.0, 0.0, ['mol' => 1], true],
        'cd' => [1.0, 0.0, ['cd' => 1], true],
        'pH' => [1.0, 0.0, ['pH' => 1], false],
        'L' => [1e-3, 0.0, ['m' => 3], true],
        'min' => [60.0, 0.0, ['s' => 1], false],
        'h' => [3600.0, 0.0, ['s' => 1], false],
        'd' => [86400.0, 0.0, ['s' => 1], false],
        'Hz' => [1.0, 0.0, ['s' => -1], true],
        'bpm' => [1.0 / 60.0, 0.0, ['s' => -1], false],
        'rpm' => [1.0 / 60.0, 0.0, ['s' => -1], false],
        'N' => [1.0, 0.0, ['m' => 1, 'kg' => 1, 's' => -2], true],
        'Pa' => [1.0, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], true],
        'bar' => [1e5, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], true],
        'atm' => [101325.0, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], false],
        'mmHg' => [133.322387415, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], false],
        'cmH2O' => [98.0665, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], false],
        'Torr' => [101325.0 / 760.0, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], false],
        'psi' => [6894.757293168, 0.0, ['m' => -1, 'kg' => 1, 's' => -2], false],
        'J' => [1.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -2], true],
        'cal' => [4.184, 0.0, ['m' => 2, 'kg' => 1, 's' => -2], true],
        'Wh' => [3600.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -2], true],
        'eV' => [1.602176634e-19, 0.0, ['m' => 2, 'kg' => 1, 's' => -2], true],
        'W' => [1.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -3], true],
        'C' => [1.0, 0.0, ['s' => 1, 'A' => 1], true],
        'V' => [1.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -3, 'A' => -1], true],
        'Ω' => [1.0, 0.0, ['m' => 2, 'kg' => 1, 's' => -3, 'A' => -2], true],
        'S' => [1.0, 0.0, ['m' => -2, 'kg' => -1, 's' => 3, 'A' => 2], true],
        'F' => [1.0, 0.0, ['m' => -2, 'kg' => -1, 's' => 4, 'A' => 2], true],
        'T' => [1.0, 0.0, ['kg' => 1, 's' => -2, 'A' => -1], true],
        'lx' => [1.0, 0.0, ['cd' => 1, 'm' => -2], true],
        'lm' => [1.0, 0.0, ['cd' => 1], true],
        'kat' => [1.0, 0.0, ['mol' => 1, 's' => -1], true],
        '°C' => [1.0, 273.15, ['K' => 1], false],
        '°F' => [5.0 / 9.0, 459.67 * 5.0 / 9.0, ['K' => 1], false],
        'rad' => [1.0, 0.0, [], true],
        '°' => [M_PI / 180.0, 0.0, [], false],
        '%' => [1e-2, 0.0, [], false],
        'ppm' => [1e-6, 0.0, [], false],
    ];

    private const PREFIXES = [
        'T' => 1e12, 'G' => 1e9, 'M' => 1e6, 'k' => 1e3, 'h' => 1e2, 'd' => 1e-1, 'c' => 1e-2, 'm' => 1e-3, 'µ' => 1e-6,
        'n' => 1e-9, 'p' => 1e-12,
    ];

    /** What people type, and what it stands for. */
    private const SPELLINGS = [
        'l' => 'L', 'ml' => 'mL', 'dl' => 'dL', 'cl' => 'cL', 'cc' => 'mL', 'degC' => '°C', '℃' => '°C', 'ºC' => '°C',
        'degF' => '°F', '℉' => '°F', 'deg' => '°', 'ph' => 'pH', 'sec' => 's', 'seconds' => 's', 'second' => 's',
        'mins' => 'min', 'minutes' => 'min', 'minute' => 'min', 'hr' => 'h', 'hours' => 'h', 'hour' => 'h', 'days' => 'd', 'day' => 'd',
        'ohm' => 'Ω', 'Ohm' => 'Ω', 'kohm' => 'kΩ', "\u{2126}" => 'Ω', 'percent' => '%', 'kpa' => 'kPa', 'hpa' => 'hPa', 'torr' => 'Torr',
        'grams' => 'g', 'gram' => 'g', 'kelvin' => 'K', 'volts' => 'V', 'volt' => 'V', 'hz' => 'Hz', 'mmhg' => 'mmHg',
    ];

    /** The unit of this one word, as people spell it; null if it is none. */
    public static function find(string $written): ?Unit
    {
        $symbol = str_replace("\u{03BC}", 'µ', $written);
        $symbol = self::SPELLINGS[$symbol] ?? $symbol;

        return match ($symbol) {
            '1' => Unit::one(),
            'M' => Unit::parse('mol/L'),
            'mM' => Unit::parse('mmol/L'),
            default => self::plain($symbol) ?? self::prefixed($symbol),
        };
    }

    /** The known unit spelt most like this word, if there is a likely one. */
    public static function nearest(string $written): ?string
    {
        $candidates = [...array_keys(self::UNITS), 'mL', 'µL', 'mmol', 'kPa', 'hPa', 'mS', 'µS', 'mV', 'kJ', 'kg', 'mg', 'cm', 'mm', 'ms'];
        foreach ($candidates as $symbol) {
            if (strcasecmp($symbol, $written) === 0) {
                return $symbol;
            }
        }
        foreach ($candidates as $symbol) {
            if (strlen($symbol) > 2 && levenshtein(strtolower($symbol), strtolower($written)) === 1) {
                return $symbol;
            }
        }

        return null;
    }

    private static function plain(string $symbol): ?Unit
    {
        if (! isset(self::UNITS[$symbol])) {
            return null;
        }
        [$factor, $offset, $powers] = self::UNITS[$symbol];

        return new Unit([$symbol => 1.0], Dimension::of($powers), $factor, $offset);
    }

    private static function prefixed(string $symbol): ?Unit
    {
        $prefix = mb_substr($symbol, 0, 1);
        $stem = mb_substr($symbol, 1);
        // On many keyboards u is the nearest thing to µ.
        $prefix = $prefix === 'u' ? 'µ' : $prefix;
        $stem = $stem === 'l' ? 'L' : $stem;
        if (! isset(self::PREFIXES[$prefix], self::UNITS[$stem]) || ! self::UNITS[$stem][3]) {
            return null;
        }
        [$factor, , $powers] = self::UNITS[$stem];

        return new Unit([$prefix.$stem => 1.0], Dimension::of($powers), $factor * self::PREFIXES[$prefix]);
    }
}
