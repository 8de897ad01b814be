<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Calibration;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Calibration */
final class CalibrationSummaryResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $line = $this->line();

        return [
            'id' => $this->id,
            'keptAt' => $this->kept_at?->toIso8601ZuluString(),
            'slopePercent' => $line?->slopePercent(),
            'offset' => $line?->offset,
            'verdict' => $line === null ? null : VerdictResource::shape($line),
        ];
    }
}
