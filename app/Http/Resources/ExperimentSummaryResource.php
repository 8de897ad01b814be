<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Experiment;
use App\Titration\Stages;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Experiment */
final class ExperimentSummaryResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'title' => $this->title,
            'protocol' => $this->protocol,
            'bench' => ['id' => $this->bench->id, 'name' => $this->bench->name],
            'sample' => $this->sample,
            'runCount' => $this->runs->count(),
            'stages' => Stages::of($this->resource),
            'updatedAt' => $this->updated_at->toIso8601ZuluString(),
        ];
    }
}
