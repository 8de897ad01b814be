<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\RunChannel;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin RunChannel */
final class ProbeRunResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'runId' => $this->run_id,
            'runNumber' => $this->run->number,
            'experimentId' => $this->run->experiment_id,
            'experimentTitle' => $this->run->experiment->title,
            'startedAt' => $this->run->started_at->toIso8601ZuluString(),
            'calibrationId' => $this->calibration_id,
            'inForceId' => $this->calibrationInForce()?->id,
            'trust' => $this->trust()->value,
            'trustSentence' => $this->trustSentence(),
        ];
    }
}
