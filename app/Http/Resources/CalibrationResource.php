<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Calibration\MistakeFinder;
use App\Models\Calibration;
use App\Models\CalibrationReading;
use App\Models\ShelfStandard;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Exception\CoreException;

/** @mixin Calibration */
final class CalibrationResource extends JsonResource
{
    /** The pH at which the effect of a calibration is told. */
    private const EXAMPLE_PH = 5.0;

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
        $hasExpectation = $calibration->unit === $probe->kind->unit() && ($probe->isPhElectrode() || $probe->model()->readsFromFactory());
        $expected = $hasExpectation ? $probe->model()->factoryLine($calibration->celsius()) : null;

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
            'standards' => self::standards($calibration),
            'celsius' => $calibration->celsius(),
            'line' => $calibrated === null ? null : self::line($calibrated->line()),
            'expected' => $expected === null ? null : self::line($expected),
            'keyFigures' => $calibrated === null ? [] : array_map(CalibrationSummaryResource::figure(...), $calibrated->keyFigures()),
            'verdict' => $calibrated === null ? null : CalibrationSummaryResource::verdict($calibrated->verdict()),
            'effect' => $calibrated === null ? null : self::effect($calibration, $calibrated),
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
    private static function standards(Calibration $calibration): array
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
            $rows[] = $row + [
                'isExample' => false,
                'position' => $position,
                'valueHere' => $standard->valueIn($calibration->surroundings($celsius)),
                'instruction' => $standard->source->instruction(),
                'needsRinse' => $standard->source->needsRinse(),
                'isPoint' => $standard->isPoint(),
                'lot' => $bottle?->lot,
                'isExpired' => $bottle?->isExpired($calibration->kept_at ?? now()) ?? false,
                'reading' => $reading instanceof CalibrationReading ? self::reading($reading) : null,
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
    private static function line(CalibrationLine $line): array
    {
        return [
            'slope' => $line->slope, 'slopeUncertainty' => $line->slopeUncertainty, 'offset' => $line->offset,
            'offsetUncertainty' => $line->offsetUncertainty, 'reference' => $line->reference, 'residuals' => $line->residuals,
        ];
    }

    /** @return array{shown: float, before: float}|null what a reading would have been before this calibration */
    private static function effect(Calibration $calibration, ProbeCalibration $now): ?array
    {
        $last = $calibration->previous();
        $before = $last?->unit === $calibration->unit ? $last->calibrated() : null;
        $values = array_map(static fn ($r): float => $r->value, $calibration->points());
        if ($before === null || ($values === [] && $calibration->probe->kind !== ProbeKind::PhElectrode)) {
            return null;
        }
        $shown = $calibration->probe->kind === ProbeKind::PhElectrode ? self::EXAMPLE_PH : (min($values) + max($values)) / 2.0;
        $celsius = $calibration->probe->kind === ProbeKind::PhElectrode ? $calibration->celsius() : null;

        return ['shown' => $shown, 'before' => $before->quantity($now->line()->rawAt($shown), 0.0, $celsius)->value];
    }
}
