<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Probe;
use App\Models\Run;
use App\Titration\ReadingPoint;
use App\Titration\RunCurve;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Run */
final class RunResource extends JsonResource
{
    /** @return array<string, mixed> */
    public static function summary(Run $run): array
    {
        return [
            'id' => $run->id,
            'number' => $run->number,
            'state' => $run->state,
            'startedAt' => $run->started_at->toIso8601ZuluString(),
            'finishedAt' => $run->finished_at?->toIso8601ZuluString(),
            'readingCount' => (int) ($run->readings_count ?? $run->readings->count()),
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $curve = RunCurve::of($this->resource);
        $remaining = $this->isOpen() ? $curve->remaining() : [];
        $advice = $this->isOpen() ? $curve->advice() : null;
        $electrode = $this->resource->electrode();
        $calibration = $electrode?->calibrationInForce();

        return self::summary($this->resource) + [
            'experimentId' => $this->experiment_id,
            'plan' => $this->plan,
            'remaining' => $remaining,
            'electrode' => $electrode === null ? null : self::electrode($electrode->probe->loadMissing('bench')),
            'calibration' => $calibration === null ? null : CalibrationSummaryResource::shape($calibration),
            'isWorkedOutAgain' => $calibration?->id !== $electrode?->calibration_id,
            'trustSentences' => $this->resource->trustSentences(),
            'readings' => $curve->points->map(static fn (ReadingPoint $p): array => ReadingResource::shape($p))->all(),
            'advice' => $advice === null ? null : [
                'title' => $advice->title(),
                'sentence' => $advice->sentence(),
                'from' => $advice->from,
                'to' => $advice->to,
                'step' => $advice->step,
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function electrode(Probe $probe): array
    {
        return [
            'probeId' => $probe->id, 'title' => $probe->title, 'serial' => $probe->serial,
            'bench' => ['id' => $probe->bench->id, 'name' => $probe->bench->name],
        ];
    }
}
