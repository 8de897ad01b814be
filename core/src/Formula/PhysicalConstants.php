<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Units\Unit;

/**
 * Constants a formula may use by name: CODATA recommended values of 2018 (Tiesinga et al., Rev. Mod. Phys. 93,
 * 025010). Names of one letter are given only to R and F, which the trade writes so; a column or entry of the
 * same name comes first.
 */
final class PhysicalConstants
{
    /** Name to value, unit and what it is. */
    private const ALL = [
        'pi' => [M_PI, '', 'ratio of circumference to diameter'],
        'R' => [8.314462618, 'J/(mol K)', 'molar gas constant'],
        'F' => [96485.33212, 'C/mol', 'Faraday constant'],
        'N_A' => [6.02214076e23, '1/mol', 'Avogadro constant'],
        'k_B' => [1.380649e-23, 'J/K', 'Boltzmann constant'],
        'q_e' => [1.602176634e-19, 'C', 'elementary charge'],
        'h_P' => [6.62607015e-34, 'J s', 'Planck constant'],
        'c_0' => [299792458.0, 'm/s', 'speed of light in vacuum'],
        'g_n' => [9.80665, 'm/s^2', 'standard acceleration of free fall'],
        'p_atm' => [101325.0, 'Pa', 'standard atmosphere'],
        'T_0' => [273.15, 'K', 'zero of the Celsius scale'],
    ];

    /** @return array{float, Unit}|null */
    public static function find(string $name): ?array
    {
        $constant = self::ALL[$name] ?? null;

        return $constant === null ? null : [$constant[0], Unit::parse($constant[1])];
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::ALL);
    }
}
