<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use Welkion\Core\Tests\Chance;

/**
 * Conductometric titrations with known truth: every ion carries its limiting molar conductivity (CRC Handbook of
 * Chemistry and Physics, in S cm²/mol at 25 °C) times its concentration.
 */
final class SimulatedConductivity
{
    private const H = 350.0;

    private const OH = 199.0;

    private const NA = 50.1;

    private const CL = 76.3;

    private const ACETATE = 40.9;

    private const AG = 61.9;

    private const NITRATE = 71.4;

    /** @return array{list<float>, list<float>} volumes in mL and conductivity in mS/cm, readings scattering by a share of themselves */
    public static function of(Chance $chance, string $kind, float $true, float $step, float $share): array
    {
        $start = $chance->between(80.0, 150.0);
        $volumes = [];
        $conductivity = [];
        for ($i = 0; $i * $step <= $true * 1.8 + 2.0; $i++) {
            $volume = round($i * $step, 3);
            $analyte = 0.1 * $true / ($start + $volume);
            $titrant = 0.1 * $volume / ($start + $volume);
            $left = max(0.0, $analyte - $titrant);
            $over = max(0.0, $titrant - $analyte);
            $volumes[] = $volume;
            $conductivity[] = (1.0 + $share * $chance->normal()) * match ($kind) {
                'strong' => self::H * $left + self::OH * $over + self::NA * $titrant + self::CL * $analyte,
                'silver' => self::CL * $left + self::AG * $over + self::NA * $analyte + self::NITRATE * $titrant,
                default => self::weak($volume, $true, $start, $analyte, $titrant),
            };
        }

        return [$volumes, $conductivity];
    }

    private static function weak(float $volume, float $true, float $start, float $analyte, float $titrant): float
    {
        $h = 10.0 ** -SimulatedTitration::ph($volume, [4.756], $true, 0.1, $start);

        return self::H * $h + self::OH * 1e-14 / $h + self::NA * $titrant + self::ACETATE * $analyte / (1.0 + $h * 10.0 ** 4.756);
    }
}
