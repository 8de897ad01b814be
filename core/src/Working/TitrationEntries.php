<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Uncertainty\Measured;

/** What is typed beside a titration; a value not typed yet is null. */
final readonly class TitrationEntries
{
    /**
     * @param  string  $titrant  formula or name, for the working: NaOH
     * @param  string  $sample  what was titrated: whey
     * @param  string  $analyte  what in it reacted: lactic acid
     * @param  Measured|null  $ratio  mol of analyte for one mol of titrant
     */
    public function __construct(
        public string $titrant,
        public string $sample,
        public string $analyte,
        public ?Measured $titrantConcentration,
        public ?Measured $sampleVolume,
        public ?Measured $ratio,
        public ?Measured $molarMass,
    ) {
    }
}
