<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Calibration\CalibrationBook;
use App\Models\Calibration;
use App\Models\CalibrationReading;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\ElectrodeCalibration;

/** @mixin Calibration */
final class CalibrationResource extends JsonResource
{
    /** The pH at which the effect of a calibration is told. */
    private const EXAMPLE_PH = 5.0;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $this->resource->loadMissing('readings', 'probe.bench');
        $line = $this->line();

        return [
            'id' => $this->id,
            'probeId' => $this->probe_id,
            'state' => $this->state,
            'keptAt' => $this->kept_at?->toIso8601ZuluString(),
            'standards' => $this->standardRows(),
            'line' => $line === null ? null : self::lineShape($line),
            'verdict' => $line === null ? null : VerdictResource::shape($line),
            'effect' => $line === null ? null : $this->effect($line),
            'faults' => array_map(static fn (CalibrationFault $fault): array => [
                'code' => $fault->code, 'sentence' => $fault->sentence, 'blocks' => $fault->blocks,
            ], app(CalibrationBook::class)->faults($this->resource)),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function standardRows(): array
    {
        $readings = $this->readings->keyBy('position');

        return array_map(static function (int $position, array $standard) use ($readings): array {
            $reading = $readings->get($position);

            return [
                'position' => $position,
                'label' => $standard['label'],
                'ph' => (float) $standard['ph'],
                'buffer' => $standard['buffer'],
                'reading' => $reading instanceof CalibrationReading ? [
                    'ph' => $reading->ph,
                    'celsius' => $reading->celsius,
                    'millivolts' => $reading->millivolts,
                    'scatter' => $reading->scatter,
                    'sampleCount' => $reading->sample_count,
                    'wasSteady' => $reading->was_steady,
                    'driftPerMinute' => $reading->drift_per_minute,
                ] : null,
            ];
        }, array_keys($this->standards), $this->standards);
    }

    /** @return array<string, float> */
    private static function lineShape(ElectrodeCalibration $line): array
    {
        return [
            'celsius' => $line->celsius,
            'slope' => $line->slope,
            'slopeUncertainty' => $line->slopeUncertainty,
            'slopePercent' => $line->slopePercent(),
            'slopePercentUncertainty' => $line->slopePercentUncertainty(),
            'offset' => $line->offset,
            'offsetUncertainty' => $line->offsetUncertainty,
            'idealSlope' => $line->idealSlope(),
        ];
    }

    /** @return array{shown: float, before: float}|null what a reading would have been before this calibration */
    private function effect(ElectrodeCalibration $line): ?array
    {
        if ($line->slope <= 0.0) {
            return null;
        }
        $before = Calibration::query()->where('probe_id', $this->probe_id)->where('state', Calibration::KEPT)
            ->where('id', '<', $this->id)->latest('kept_at')->first()?->line()
            ?? ElectrodeCalibration::ideal($line->celsius);

        return [
            'shown' => self::EXAMPLE_PH,
            'before' => $before->ph($line->millivoltsAt(self::EXAMPLE_PH), 0.0, $line->celsius)->value,
        ];
    }
}
