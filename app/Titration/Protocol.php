<?php

declare(strict_types=1);

namespace App\Titration;

use App\Models\Experiment;

/** The reusable plan of a titration: the entries it asks for, and the steps it proposes. */
final class Protocol
{
    public const TITRANT_CONCENTRATION = 'c';

    public const SAMPLE_VOLUME = 'V0';

    public const RATIO = 'r';

    public const MOLAR_MASS = 'M';

    /** Name and unit of each entry, in the order they are measured. */
    public const ENTRIES = [
        self::TITRANT_CONCENTRATION => ['name' => 'Concentration of the titrant', 'unit' => 'mol/L'],
        self::SAMPLE_VOLUME => ['name' => 'Volume of the sample', 'unit' => 'mL'],
        self::RATIO => ['name' => 'Analyte for one titrant', 'unit' => ''],
        self::MOLAR_MASS => ['name' => 'Molar mass of the analyte', 'unit' => 'g/mol'],
    ];

    /** @return array<string, mixed> what a new titration starts with */
    public static function titration(): array
    {
        $entries = array_map(
            static fn (array $entry): array => ['value' => null, 'uncertainty' => 0.0, 'unit' => $entry['unit']],
            self::ENTRIES,
        );
        $entries[self::RATIO]['value'] = 1.0;

        return [
            'protocol' => Experiment::TITRATION,
            'entries' => $entries,
            'plan' => [['from' => 0.0, 'to' => 20.0, 'step' => 0.5]],
        ];
    }
}
