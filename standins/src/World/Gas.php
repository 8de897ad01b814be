<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** Dry air in a syringe with tubing: ideal gas, heated by quick compression, cooled by its walls. */
final class Gas
{
    private const KELVIN = 273.15;

    /** Ratio of the heat capacities of dry air. */
    private const GAMMA = 1.4;

    /** Time constant with which the gas in a syringe takes the temperature of its walls, in s. */
    private const WALLS_S = 1.8;

    private float $celsius;

    /** Amount of gas times the gas constant, in kPa mL/K. */
    private float $amount;

    public function __construct(private float $volumeMl, public readonly float $deadMl, float $celsius, float $kilopascal, private readonly float $wallsS = self::WALLS_S)
    {
        $this->celsius = $celsius;
        $this->amount = $kilopascal * $this->totalMl() / ($celsius + self::KELVIN);
    }

    public function volumeMl(): float
    {
        return $this->volumeMl;
    }

    public function celsius(): float
    {
        return $this->celsius;
    }

    public function kilopascal(): float
    {
        return $this->amount * ($this->celsius + self::KELVIN) / $this->totalMl();
    }

    /** Amount of gas times the gas constant, in kPa mL/K. */
    public function amount(): float
    {
        return $this->amount;
    }

    /** A plunger that moves freely stands where the gas has the pressure of the room; slow enough to stay at the walls' temperature. */
    public function slide(float $kilopascal): void
    {
        $this->volumeMl = $this->amount * ($this->celsius + self::KELVIN) / $kilopascal - $this->deadMl;
    }

    /** The plunger moves at once; with the valve shut the gas warms or cools as it does without its walls. */
    public function moveTo(float $millilitres): void
    {
        $before = $this->totalMl();
        $this->volumeMl = $millilitres;
        $this->celsius = ($this->celsius + self::KELVIN) * ($before / $this->totalMl()) ** (self::GAMMA - 1.0) - self::KELVIN;
    }

    /** Opened to the room: its pressure, its temperature. */
    public function open(float $celsius, float $kilopascal): void
    {
        $this->celsius = $celsius;
        $this->amount = $kilopascal * $this->totalMl() / ($celsius + self::KELVIN);
    }

    public function pass(float $seconds, float $wallCelsius): void
    {
        $this->celsius = $wallCelsius + ($this->celsius - $wallCelsius) * exp(-$seconds / $this->wallsS);
    }

    private function totalMl(): float
    {
        return $this->volumeMl + $this->deadMl;
    }
}
