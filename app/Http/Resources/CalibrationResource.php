<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Calibration\CalibrationEffect;
use App\Calibration\CalibrationPicture;
use App\Calibration\MistakeFinder;
use App\Models\Calibration;
use App\Models\CalibrationReading;
use App\Models\ShelfStandard;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Exception\CoreException;

/** @mixin Calibration */
final class CalibrationResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $this->resource->loadMissing('readings', 'probe.bench', 'beside.readings', 'beside.probe.bench');

        return self::shape($this->resource) + [
            'beside' => $this->beside->filter(static fn (Calibration $c): bool => $c->state !== Calibration::DROPPED)
                ->map(static fn (Calibration $c): array => self::shape($c))->values()->all(),
        ];
    }

    /** @return array<string, mixed> */
    private static function shape(Calibration $calibration): array
    {
        $calibrated = self::calibrated($calibration);
        $probe = $calibration->probe;
        $faults = $calibration->isOpen() ? (new MistakeFinder)->in($calibration) : [];
        $picture = CalibrationPicture::of($calibration, $calibrated);
        $effect = CalibrationEffect::of($calibration, $calibrated);

        return [
            'id' => $calibration->id,
            'probeId' => $calibration->probe_id,
            'probe' => ['title' => $probe->title, 'serial' => $probe->serial, 'kind' => $probe->kind->value, 'rawUnit' => $probe->raw_unit, 'benchName' => $probe->bench->name],
            'state' => $calibration->state,
            'keptAt' => $calibration->kept_at?->toIso8601ZuluString(),
            'recipe' => [
                'key' => $calibration->recipe->value, 'title' => $calibration->recipe->title(), 'hint' => $calibration->recipe->hint(),
                'leastStandards' => $calibration->recipe->leastStandards(),
                'needsBarometer' => $calibration->recipe->needsBarometer(), 'needsBore' => $calibration->recipe->needsBore(),
            ],
            'origin' => $calibration->origin->value,
            'unit' => $calibration->unit,
            'settings' => self::settings($calibration),
            'standards' => self::standards($calibration, $picture),
            'celsius' => $calibration->celsius(),
            'range' => ['from' => $picture->from, 'to' => $picture->to],
            'line' => $picture->line === null ? null : self::line($picture->line, $picture),
            'expected' => $picture->expected === null ? null : self::line($picture->expected, $picture),
            'keyFigures' => $calibrated === null ? [] : array_map(CalibrationSummaryResource::figure(...), $calibrated->keyFigures()),
            'verdict' => $calibrated === null ? null : CalibrationSummaryResource::verdict($calibrated->verdict()),
            'effect' => $effect === null ? null : ['shown' => $effect->shown, 'before' => $effect->before],
            'faults' => array_map(static fn (CalibrationFault $fault): array => [
                'code' => $fault->code, 'sentence' => $fault->sentence, 'blocks' => $fault->blocks, 'positions' => $fault->positions,
            ], $faults),
            'setAsideReason' => $calibration->set_aside_reason,
        ];
    }

    private static function calibrated(Calibration $calibration): ?ProbeCalibration
    {
        try {
            return $calibration->hasLine() ? $calibration->calibrated() : null;
        } catch (CoreException) {
            return null;
        }
    }

    /** @return array<string, float|null> */
    private static function settings(Calibration $calibration): array
    {
        $settings = [];
        foreach (['barometerKpa', 'boreMm', 'boreUncertaintyMm', 'deadVolumeMl', 'coefficient', 'celsius'] as $name) {
            $settings[$name] = $calibration->setting($name);
        }

        return $settings;
    }

    /** @return list<array<string, mixed>> */
    private static function standards(Calibration $calibration, CalibrationPicture $picture): array
    {
        $readings = $calibration->readings->keyBy('position');
        $bottles = ShelfStandard::withTrashed()->whereKey(array_filter(array_column($calibration->standards, 'shelfId')))->get()->keyBy('id');
        $celsius = $calibration->celsius();
        $rows = [];
        foreach ($calibration->standards as $position => $row) {
            $standard = $calibration->standard($position);
            $reading = $readings->get($position);
            $bottle = $bottles->get($row['shelfId'] ?? 0);
            if ($standard === null) {
                continue;
            }
            $here = $standard->valueIn($calibration->surroundings($celsius));
            $rows[] = $row + [
                'isExample' => false,
                'position' => $position,
                'valueHere' => $here,
                'rawExpected' => $standard->isPoint() ? $picture->rawAt($here) : null,
                'instruction' => $standard->source->instruction(),
                'needsRinse' => $standard->source->needsRinse(),
                'isPoint' => $standard->isPoint(),
                'lot' => $bottle?->lot,
                'isExpired' => $bottle?->isExpired($calibration->kept_at ?? now()) ?? false,
                'reading' => $reading instanceof CalibrationReading ? self::reading($reading) + ['off' => $standard->isPoint() ? $picture->off($reading) : null] : null,
            ];
        }

        return $rows;
    }

    /** @return array<string, mixed> */
    private static function reading(CalibrationReading $reading): array
    {
        return [
            'value' => $reading->value, 'celsius' => $reading->celsius, 'raw' => $reading->raw, 'scatter' => $reading->scatter,
            'sampleCount' => $reading->sample_count, 'wasSteady' => $reading->was_steady, 'driftPerMinute' => $reading->drift_per_minute,
            'samples' => $reading->samples,
        ];
    }

    /** @return array<string, mixed> */
    private static function line(CalibrationLine $line, CalibrationPicture $picture): array
    {
        return [
            'slope' => $line->slope, 'slopeUncertainty' => $line->slopeUncertainty, 'offset' => $line->offset,
            'offsetUncertainty' => $line->offsetUncertainty, 'reference' => $line->reference, 'ends' => $picture->ends($line),
        ];
    }
}
