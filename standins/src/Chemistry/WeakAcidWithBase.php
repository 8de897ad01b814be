<?php

declare(strict_types=1);

namespace Welkion\Standins\Chemistry;

/**
 * pH of a weak monoprotic acid with strong base in water, from the exact charge balance.
 *
 * [H] + [Na] = Kw/[H] + C Ka/(Ka + [H]), with activities taken as concentrations (Harris, Quantitative Chemical
 * Analysis, 9th edition, chapter 11). Ka and Kw are those at 25 °C whatever the temperature of the beaker.
 */
final readonly class WeakAcidWithBase
{
    public const WATER_PRODUCT = 1e-14;

    /** 60 halvings of 0 to 14 go down to the last bit of a double. */
    private const HALVINGS = 60;

    public function __construct(public float $pKa)
    {
    }

    /**
     * @param  float  $acid  mol/L of acid in all its forms
     * @param  float  $base  mol/L of strong base added, as its cation
     */
    public function ph(float $acid, float $base): float
    {
        $ka = 10 ** -$this->pKa;
        $low = 0.0;
        $high = 14.0;
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $ph = ($low + $high) / 2;
            $h = 10 ** -$ph;
            $positiveLessNegative = $h + $base - self::WATER_PRODUCT / $h - $acid * $ka / ($ka + $h);
            if ($positiveLessNegative > 0.0) {
                $low = $ph;
            } else {
                $high = $ph;
            }
        }

        return ($low + $high) / 2;
    }
}
