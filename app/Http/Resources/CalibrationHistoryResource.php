<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Calibration;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Collection;
use Welkion\Core\Calibration\CalibrationTrend;
use Welkion\Core\Calibration\KeyFigure;
use Welkion\Core\Calibration\Origin;

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
        return [
            'calibrations' => $this->resource->map(static fn (Calibration $c): array => CalibrationSummaryResource::shape($c) + [
                'copiedFrom' => $c->copiedFrom?->probe->serial,
                'runCount' => (int) $c->run_channels_count,
            ])->values()->all(),
            'trend' => $this->trend(),
        ];
    }

    /** @return array{sentence: string, isReplacedSoon: bool}|null */
    private function trend(): ?array
    {
        $days = [];
        $figures = [];
        foreach ($this->resource as $calibration) {
            $figure = $calibration->calibrated()?->keyFigures()[0] ?? null;
            $isOneOfMany = $calibration->origin === Origin::Read && $calibration->set_aside_reason === null
                && $calibration->unit === $this->resource->last()?->unit;
            if ($figure !== null && $calibration->kept_at !== null && $isOneOfMany) {
                $days[] = $calibration->kept_at->getTimestamp() / 86400.0;
                $figures[] = $figure;
            }
        }
        $trend = CalibrationTrend::of($days, $figures);
        $latest = end($figures);

        return $trend === null || ! $latest instanceof KeyFigure
            ? null : ['sentence' => $trend->sentence($latest), 'isReplacedSoon' => $trend->isReplacedSoon()];
    }
}
