<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Models\Calibration;
use App\Models\CalibrationReading;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ProbeCalibration;

/** A calibration to look at: from where to where, its line and that of a new probe, and how far readings lie off. */
final readonly class CalibrationPicture
{
    /** Buffers are drawn where buffers are, however few were read. */
    private const PH = [2.0, 12.0];

    /** Other quantities from nothing to the greatest standard, and this share of it further. */
    private const BEYOND = 0.15;

    /** @param  CalibrationLine|null  $expected  the line of a new probe */
    private function __construct(public float $from, public float $to, public ?CalibrationLine $line, public ?CalibrationLine $expected)
    {
    }

    /** @param  ProbeCalibration|null  $calibrated  as it stands */
    public static function of(Calibration $calibration, ?ProbeCalibration $calibrated): self
    {
        $probe = $calibration->probe;
        $isOfItsKind = $calibration->unit === $probe->model()->unit && ($probe->isPhElectrode() || $probe->model()->readsFromFactory());
        [$from, $to] = $calibration->unit === 'pH' ? self::PH : self::around(self::values($calibration));

        return new self($from, $to, $calibrated?->line(), $isOfItsKind ? $probe->model()->factoryLine($calibration->celsius()) : null);
    }

    /** @return list<array{value: float, raw: float}> the two ends of a line */
    public function ends(CalibrationLine $line): array
    {
        return array_map(static fn (float $value): array => ['value' => $value, 'raw' => $line->rawAt($value)], [$this->from, $this->to]);
    }

    /** Raw signal to be expected in a standard; null while nothing is known of the probe. */
    public function rawAt(float $value): ?float
    {
        return ($this->expected ?? $this->line)?->rawAt($value);
    }

    /** By how much a reading lies above the line, in the raw unit; null without a line. */
    public function off(CalibrationReading $reading): ?float
    {
        return $this->line === null ? null : $reading->raw - $this->line->rawAt($reading->value);
    }

    /** @return list<float> of the standards that make the line: as read, or as they will be here */
    private static function values(Calibration $calibration): array
    {
        $read = $calibration->readings->keyBy('position');
        $values = [];
        foreach (array_keys($calibration->standards) as $position) {
            $standard = $calibration->standard($position);
            if ($standard !== null && $standard->isPoint()) {
                $values[] = $read->get($position)->value ?? $standard->valueIn($calibration->surroundings($calibration->celsius()));
            }
        }

        return $values;
    }

    /**
     * @param  list<float>  $values
     * @return array{float, float}
     */
    private static function around(array $values): array
    {
        [$low, $high] = [min([0.0, ...$values]), max([0.0, ...$values])];
        $top = $high > $low ? $high : 1.0;

        return [$low, $top + self::BEYOND * ($top - $low)];
    }
}
