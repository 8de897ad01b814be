<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Bench;
use App\Models\Probe;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Bench */
final class BenchResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'isSimulated' => $this->is_simulated,
            'probes' => $this->probes->map(static fn (Probe $probe): array => [
                'id' => $probe->id,
                'channel' => $probe->channel,
                'kind' => $probe->kind,
                'title' => $probe->title,
                'serial' => $probe->serial,
                'rawUnit' => $probe->raw_unit,
                'calibration' => $probe->calibration === null ? null : new CalibrationSummaryResource($probe->calibration),
            ])->all(),
        ];
    }
}
