<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Welkion\Core\Calibration\Buffer;

/** Where the electrode can be. */
enum Place: string
{
    case Storage = 'storage';
    case Rinse = 'rinse';
    case Buffer4 = 'buffer-4.01';
    case Buffer7 = 'buffer-7.00';
    case Buffer10 = 'buffer-10.01';
    case Beaker = 'beaker';

    private const STORAGE_PH = 6.2;

    private const RINSE_PH = 6.6;

    /** pH of the solution here; null for the beaker, which is a world of its own. */
    public function ph(float $celsius): ?float
    {
        return match ($this) {
            self::Storage => self::STORAGE_PH,
            self::Rinse => self::RINSE_PH,
            self::Buffer4 => Buffer::Technical4->phAt($celsius),
            self::Buffer7 => Buffer::Technical7->phAt($celsius),
            self::Buffer10 => Buffer::Technical10->phAt($celsius),
            self::Beaker => null,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Storage => 'storage solution',
            self::Rinse => 'rinse water',
            self::Buffer4 => 'pH 4.01',
            self::Buffer7 => 'pH 7.00',
            self::Buffer10 => 'pH 10.01',
            self::Beaker => 'the beaker',
        };
    }
}
