<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Bench */
final class BenchResource extends JsonResource
{
    public const WITH = ['probes.calibration', 'probes.lastZero', 'probesPutAway', 'openRuns.experiment', 'openRunsBeside.experiment', 'experiments'];

    private const MOST_EXPERIMENTS = 3;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $run = $this->openRuns->first() ?? $this->openRunsBeside->first();

        return [
            'id' => $this->id,
            'name' => $this->name,
            'isSimulated' => $this->is_simulated,
            'address' => $this->is_simulated ? null : $this->address(),
            'isPutAway' => $this->put_away_at !== null,
            'recording' => $run instanceof Run ? [
                'runId' => $run->id, 'experimentId' => $run->experiment_id, 'title' => $run->experiment->title, 'runNumber' => $run->number,
                'unwatchedSince' => $run->unwatchedSince()?->toIso8601ZuluString(),
            ] : null,
            'experiments' => $this->experiments->take(self::MOST_EXPERIMENTS)
                ->map(static fn (Experiment $e): array => ['id' => $e->id, 'title' => $e->title])->all(),
            'probes' => $this->probes->map(fn (Probe $probe): array => ProbeResource::shape($probe->setRelation('bench', $this->resource)))->all(),
            'putAway' => $this->probesPutAway->map(static fn (Probe $p): array => ['id' => $p->id, 'title' => $p->title, 'serial' => $p->serial])->all(),
        ];
    }
}
