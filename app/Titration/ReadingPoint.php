<?php

declare(strict_types=1);

namespace App\Titration;

use App\Models\Reading;
use App\Models\ReadingValue;
use App\Models\RunChannel;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Uncertainty\Measured;

/** One reading with its pH worked out from the raw signal. */
final readonly class ReadingPoint
{
    private function __construct(
        public Reading $reading,
        public ?float $millivolts,
        public ?float $scatterMv,
        public ?float $celsius,
        public ?Measured $ph,
    ) {
    }

    /**
     * @param  ElectrodeCalibration|null  $line  of the electrode, worked out once for all readings
     */
    public static function of(Reading $reading, ?RunChannel $electrode, ?ElectrodeCalibration $line, ?RunChannel $thermometer): self
    {
        $values = $reading->values->keyBy('run_channel_id');
        $raw = $electrode === null ? null : $values->get($electrode->id);
        $celsius = $thermometer === null ? null : $values->get($thermometer->id)?->mean;

        return new self(
            $reading,
            $raw?->mean,
            $raw?->scatter,
            $celsius,
            $raw instanceof ReadingValue
                ? $line?->ph($raw->mean, $raw->scatter / sqrt(max(1, $raw->sample_count)), $celsius)
                : null,
        );
    }
}
