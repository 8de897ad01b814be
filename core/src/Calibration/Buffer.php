<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Series\Series;

/**
 * A pH standard whose value follows temperature.
 *
 * Phthalate, phosphate, borax and carbonate are the primary standards of R. G. Bates, Determination of pH,
 * 2nd edition (1973), table 4-2; the technical set 4.01 / 7.00 / 10.01 is what bottles of ready-made buffer
 * state, to 0.01 pH.
 */
enum Buffer: string
{
    case Technical4 = '4.01';
    case Technical7 = '7.00';
    case Technical10 = '10.01';
    case Phthalate = 'phthalate';
    case Phosphate = 'phosphate';
    case Borax = 'borax';
    case Carbonate = 'carbonate';

    /** pH at 0, 5, 10 ... 50 °C. */
    private const TABLE = [
        '4.01' => [4.01, 4.00, 4.00, 4.00, 4.00, 4.01, 4.01, 4.02, 4.03, 4.05, 4.06],
        '7.00' => [7.12, 7.09, 7.06, 7.04, 7.02, 7.00, 6.99, 6.98, 6.97, 6.97, 6.97],
        '10.01' => [10.32, 10.25, 10.18, 10.12, 10.06, 10.01, 9.97, 9.93, 9.89, 9.86, 9.83],
        'phthalate' => [4.003, 3.999, 3.998, 3.999, 4.002, 4.008, 4.015, 4.024, 4.035, 4.047, 4.060],
        'phosphate' => [6.984, 6.951, 6.923, 6.900, 6.881, 6.865, 6.853, 6.844, 6.838, 6.834, 6.833],
        'borax' => [9.464, 9.395, 9.332, 9.276, 9.225, 9.180, 9.139, 9.102, 9.068, 9.038, 9.011],
        'carbonate' => [10.317, 10.245, 10.179, 10.118, 10.062, 10.012, 9.966, 9.925, 9.889, 9.856, 9.828],
    ];

    private const STEP_C = 5.0;

    /**
     * pH at a temperature, on the straight line between its neighbours in the table; outside 0 to 50 °C the
     * nearer end of the table.
     */
    public function phAt(float $celsius): float
    {
        $values = self::TABLE[$this->value];
        $temperatures = array_map(static fn (int $i): float => $i * self::STEP_C, array_keys($values));
        $table = Series::of($temperatures, $values);
        $last = count($temperatures) - 1;

        return $table->at(min(max($celsius, 0.0), $temperatures[$last])) ?? $values[$last];
    }

    /** What stands on the bottle: the pH at 25 °C. */
    public function nominalPh(): float
    {
        return self::TABLE[$this->value][5];
    }

    /** How the buffer is called: its nominal pH. */
    public function label(): string
    {
        return match ($this) {
            self::Technical4, self::Technical7, self::Technical10 => $this->value,
            self::Phthalate => 'phthalate 4.008',
            self::Phosphate => 'phosphate 6.865',
            self::Borax => 'borax 9.180',
            self::Carbonate => 'carbonate 10.012',
        };
    }
}
