<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Calibration\CalibrationHistory;
use App\Models\Calibration;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Collection;

/**
 * The calibrations of a probe over time, and what they say about its future.
 *
 * @property Collection<int, Calibration> $resource
 */
final class CalibrationHistoryResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $trend = CalibrationHistory::of($this->resource);

        return [
            'calibrations' => $this->resource->map(static fn (Calibration $c): array => CalibrationSummaryResource::shape($c) + [
                'copiedFrom' => $c->copiedFrom?->probe->serial,
                'runCount' => (int) $c->run_channels_count,
            ])->values()->all(),
            'trend' => $trend === null ? null : ['sentence' => $trend->sentence, 'isReplacedSoon' => $trend->isReplacedSoon],
        ];
    }
}
