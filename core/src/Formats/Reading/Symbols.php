<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

/**
 * Short symbols for columns, one for each, as formulas need them.
 *
 * @internal used by TableReader alone
 */
final class Symbols
{
    /** First words of names, and the symbol the trade writes for them (after ISO 80000). */
    private const USUAL = [
        'time' => 't', 'minute' => 't', 'temperature' => 'T', 'pressure' => 'P', 'volume' => 'V', 'mass' => 'm', 'ph' => 'pH',
        'conductivity' => 'kappa', 'conductance' => 'G', 'voltage' => 'U', 'concentration' => 'c', 'absorbance' => 'A', 'force' => 'F_n',
        'length' => 'l', 'distance' => 'd', 'rate' => 'v', 'amount' => 'n', 'angle' => 'phi', 'wavelength' => 'lambda', 'resistance' => 'R_e',
    ];

    /**
     * @param  list<string>  $names  of all columns
     * @return list<string> a different symbol for each
     */
    public static function of(array $names): array
    {
        $symbols = [];
        foreach ($names as $place => $name) {
            $symbol = self::one($name) ?? 'c'.($place + 1);
            $unique = $symbol;
            for ($i = 2; in_array($unique, $symbols, true); $i++) {
                $unique = "{$symbol}_{$i}";
            }
            $symbols[] = $unique;
        }

        return $symbols;
    }

    /** A name as it can stand in a formula: "Volume NaOH" as Volume_NaOH; null if nothing of it can. */
    public static function identifier(string $name): ?string
    {
        $plain = trim((string) preg_replace('/[^\p{L}\d]+/u', '_', $name), '_');

        return preg_match('/^\p{L}/u', $plain) === 1 ? $plain : null;
    }

    private static function one(string $name): ?string
    {
        $identifier = self::identifier($name);
        if ($identifier === null) {
            return null;
        }
        $words = explode('_', $identifier);

        return match (true) {
            mb_strlen($identifier) <= 3 => $identifier,
            isset(self::USUAL[mb_strtolower($words[0])]) => self::USUAL[mb_strtolower($words[0])],
            count($words) === 1 && mb_strlen($identifier) <= 8 => $identifier,
            default => mb_strtolower($words[0]),
        };
    }
}
