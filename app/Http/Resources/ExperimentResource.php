<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Experiment;
use App\Models\Run;
use App\Titration\Protocol;
use App\Titration\Stages;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Experiment */
final class ExperimentResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $this->resource->loadMissing('bench.probes.calibration', 'runs');
        $this->resource->runs->loadCount('readings');

        return [
            'id' => $this->id,
            'title' => $this->title,
            'protocol' => $this->protocol,
            'aim' => $this->aim,
            'conclusion' => $this->conclusion,
            'titrant' => $this->titrant,
            'sample' => $this->sample,
            'analyte' => $this->analyte,
            'bench' => ['id' => $this->bench->id, 'name' => $this->bench->name],
            'entries' => array_map(fn (string $symbol): array => [
                'symbol' => $symbol,
                'name' => Protocol::ENTRIES[$symbol]['name'],
                'value' => $this->entries[$symbol]['value'],
                'uncertainty' => $this->entries[$symbol]['uncertainty'],
                'unit' => $this->entries[$symbol]['unit'],
            ], array_keys(Protocol::ENTRIES)),
            'plan' => $this->plan,
            'span' => $this->span_from === null ? null : [$this->span_from, $this->span_to],
            'stages' => Stages::of($this->resource),
            'runs' => $this->runs->map(static fn (Run $run): array => RunResource::summary($run))->all(),
            'updatedAt' => $this->updated_at->toIso8601ZuluString('millisecond'),
        ];
    }
}
