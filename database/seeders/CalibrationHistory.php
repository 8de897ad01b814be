<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Calibration;
use App\Models\CalibrationReading;
use App\Models\Probe;
use App\Models\User;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\Nernst;

/** How an electrode has aged since September: one calibration every two weeks. */
final class CalibrationHistory
{
    /** Days ago, slope in % of ideal, mV at pH 7, temperature in °C. */
    private const PAST = [
        [76, 99.1, 2.1, 22.4], [62, 98.9, 2.6, 22.0], [48, 98.7, 3.4, 21.8],
        [34, 98.4, 3.9, 21.1], [20, 98.1, 4.6, 20.9], [6, 97.9, 5.0, 21.2],
    ];

    private const SCATTER_MV = 0.12;

    /** Deviations of single readings from the line, in mV, as real electrodes have. */
    private const DEVIATIONS_MV = [0.1, -0.2, 0.1];

    public function seed(Probe $electrode, User $teacher): void
    {
        foreach (self::PAST as [$daysAgo, $percent, $offset, $celsius]) {
            $at = now()->subDays($daysAgo)->setTime(9, 12);
            $calibration = Calibration::query()->create([
                'probe_id' => $electrode->id, 'user_id' => $teacher->id, 'state' => Calibration::OPEN,
                'standards' => array_map(static fn (Buffer $buffer): array => [
                    'label' => $buffer->label(), 'ph' => $buffer->nominalPh(), 'buffer' => $buffer->value,
                ], self::buffers()),
                'created_at' => $at, 'updated_at' => $at,
            ])->refresh();
            foreach (self::buffers() as $position => $buffer) {
                $slope = $percent / 100 * Nernst::idealSlope($celsius);
                $mv = $offset - $slope * ($buffer->phAt($celsius) - Nernst::ISOPOTENTIAL_PH) + self::DEVIATIONS_MV[$position];
                CalibrationReading::query()->create([
                    'calibration_id' => $calibration->id, 'position' => $position, 'ph' => $buffer->phAt($celsius),
                    'celsius' => $celsius, 'millivolts' => round($mv, 2), 'scatter' => self::SCATTER_MV, 'sample_count' => 40,
                    'was_steady' => true, 'drift_per_minute' => 0.1, 'samples' => array_fill(0, 40, round($mv, 1)),
                    'taken_at' => $at->getTimestamp() + 30.0 * $position,
                ]);
            }
            $line = ElectrodeCalibration::from($calibration->standardReadings(), $celsius);
            $calibration->update([
                'state' => Calibration::KEPT, 'celsius' => $celsius, 'slope' => $line->slope,
                'slope_uncertainty' => $line->slopeUncertainty, 'offset' => $line->offset,
                'offset_uncertainty' => $line->offsetUncertainty, 'kept_at' => $at,
            ]);
        }
    }

    /** @return list<Buffer> */
    private static function buffers(): array
    {
        return [Buffer::Technical7, Buffer::Technical4, Buffer::Technical10];
    }
}
