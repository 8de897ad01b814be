<?php

declare(strict_types=1);

namespace App\Titration;

use App\Models\Reading;
use App\Models\ReadingValue;
use App\Models\RunChannel;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Exception\CoreException;
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
     * @param  ProbeCalibration|null  $line  of the electrode, worked out once for all readings
     * @param  ProbeCalibration|null  $scale  of the thermometer
     */
    public static function of(
        Reading $reading,
        ?RunChannel $electrode,
        ?ProbeCalibration $line,
        ?RunChannel $thermometer,
        ?ProbeCalibration $scale,
    ): self {
        $values = $reading->values->keyBy('run_channel_id');
        $raw = $electrode === null ? null : $values->get($electrode->id);
        $warmth = $thermometer === null ? null : $values->get($thermometer->id)?->mean;
        $celsius = $warmth === null || $scale === null ? null : self::quantity($scale, $warmth, 0.0, null)?->value;

        return new self(
            $reading,
            $raw?->mean,
            $raw?->scatter,
            $celsius,
            $raw instanceof ReadingValue && $line !== null
                ? self::quantity($line, $raw->mean, $raw->scatter / sqrt(max(1, $raw->sample_count)), $celsius) : null,
        );
    }

    /** A reading that cannot be worked out is a gap in its own row, and in no other. */
    private static function quantity(ProbeCalibration $by, float $raw, float $uncertainty, ?float $celsius): ?Measured
    {
        try {
            $quantity = $by->quantity($raw, $uncertainty, $celsius);
        } catch (CoreException|\ArithmeticError) {
            return null;
        }

        return is_finite($quantity->value) && is_finite($quantity->uncertainty) ? $quantity : null;
    }
}
