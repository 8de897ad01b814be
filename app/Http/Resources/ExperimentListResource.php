<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Experiment;
use App\Models\Run;
use App\Notebook\Stages;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Notebook\Fields;

/**
 * An experiment as the list of them tells it.
 *
 * @mixin Experiment
 */
final class ExperimentListResource extends JsonResource
{
    public const WITH = ['bench.probes.calibration', 'beside.probes.calibration', 'runs', 'entries'];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'title' => $this->title,
            'protocol' => (new Fields($this->plan))->text('title'),
            'bench' => $this->bench === null ? null : ['id' => $this->bench->id, 'name' => $this->bench->name],
            'runCount' => $this->runs->count(),
            'isRecording' => $this->runs->contains(static fn (Run $r): bool => $r->isOpen()),
            'stages' => Stages::of($this->resource, $this->runs, $this->entries),
            'thrownAwayAt' => $this->thrown_away_at?->toIso8601ZuluString(),
            'updatedAt' => $this->updated_at->toIso8601ZuluString(),
        ];
    }
}
