<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

/**
 * Finds the shortest way to write a product of units without changing what it measures.
 *
 * @internal reached through Unit::simplified()
 */
final class UnitSimplifier
{
    /** Names to prefer, the first that fits wins. Hz and bpm are left out: 1/s may as well be a rate constant. */
    private const NAMES = [
        'g', 'kg', 'mg', 'm', 'cm', 'mm', 'km', 's', 'ms', 'min', 'h', 'L', 'mL', 'mol', 'mmol', 'µmol', 'K', 'A', 'mA',
        'N', 'mN', 'kN', 'Pa', 'kPa', 'J', 'mJ', 'kJ', 'W', 'mW', 'kW', 'C', 'V', 'mV', 'S', 'mS', 'µS', 'Ω', 'kΩ',
    ];

    /** Pairs inside a longer product become one of these: kPa mL/(mol K) is mJ/(mol K). */
    private const PAIRS = ['J', 'mJ', 'kJ', 'W', 'N', 'Pa', 'V', 'C'];

    /** A unit of the same dimension that is shorter to write, or the same. */
    public static function simplify(Unit $unit): Unit
    {
        if (count($unit->parts) < 2) {
            return $unit;
        }

        return self::oneName($unit) ?? self::pairs(self::merged($unit));
    }

    /** A single name with the very same factor, or a plain number when nothing is left but a ratio of units. */
    private static function oneName(Unit $unit): ?Unit
    {
        if ($unit->dimension->isNone()) {
            return Unit::one();
        }

        return self::among(self::NAMES, $unit);
    }

    /** @param  list<string>  $names */
    private static function among(array $names, Unit $unit): ?Unit
    {
        foreach ($names as $name) {
            $named = Unit::parse($name);
            if (abs($named->factor / $unit->factor - 1.0) < 1e-9 && $named->measuresTheSameAs($unit)) {
                return $named;
            }
        }

        return null;
    }

    /** Parts that measure the same become powers of the one written first: mm^2 cm is mm^3. */
    private static function merged(Unit $unit): Unit
    {
        $kept = [];
        foreach ($unit->parts as $name => $power) {
            $part = self::part((string) $name);
            foreach ($kept as $first => [$same, $sum]) {
                if ($same->measuresTheSameAs($part)) {
                    $kept[$first] = [$same, $sum + $power];

                    continue 2;
                }
            }
            $kept[$name] = [$part, $power];
        }
        $result = Unit::one();
        foreach ($kept as [$part, $power]) {
            $result = $result->times($part->toPower($power));
        }

        return $result;
    }

    private static function pairs(Unit $unit): Unit
    {
        $names = array_keys($unit->parts);
        foreach ($names as $i => $left) {
            foreach (array_slice($names, $i + 1) as $right) {
                $pair = self::part((string) $left)->toPower($unit->parts[$left])
                    ->times(self::part((string) $right)->toPower($unit->parts[$right]));
                $named = self::among(self::PAIRS, $pair);
                if ($named !== null) {
                    $rest = $unit->per($pair);

                    return self::simplify($named->times($rest));
                }
            }
        }

        return $unit;
    }

    private static function part(string $name): Unit
    {
        return str_starts_with($name, 'Δ')
            ? Unit::parse(mb_substr($name, 1))->difference()
            : Unit::ofHeader($name);
    }
}
