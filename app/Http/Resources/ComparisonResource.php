<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Calibration;
use App\Recording\Comparison;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Uncertainty\Digits;

/**
 * The results of a run by several calibrations, side by side; differences are from what was recorded.
 *
 * @property Comparison $resource
 */
final class ComparisonResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $recorded = $this->resource->columns[0]['lines'];
        $inForce = $this->resource->channel->calibrationInForce()?->id;

        return [
            'runId' => $this->resource->run->id,
            'probeId' => $this->resource->channel->probe_id,
            'columns' => array_map(static fn (array $column): array => [
                'reworkingId' => $column['reworking']?->id,
                'calibration' => $column['calibration'] instanceof Calibration ? CalibrationSummaryResource::shape($column['calibration']) : null,
                'isInForce' => $inForce === $column['calibration']?->id,
            ], $this->resource->columns),
            'rows' => array_values(array_map(fn (WorkedLine $line): array => [
                'title' => $this->resource->titles[$line->symbol],
                'results' => array_map(static fn (array $column): array => self::result($column['lines'][$line->symbol] ?? null, $line), $this->resource->columns),
            ], $recorded)),
        ];
    }

    /** @return array<string, mixed> */
    private static function result(?WorkedLine $line, WorkedLine $recorded): array
    {
        $result = $line?->result();
        $difference = Comparison::difference($line, $recorded);
        $uncertainty = $recorded->result()->uncertainty ?? 0.0;

        return [
            'measured' => $result === null ? null : MeasuredResource::shape($result),
            'difference' => $difference,
            // One digit more than the result has: a change may be real and yet smaller than its uncertainty.
            'shownDifference' => $difference === null ? null
                : Digits::fixed($difference, $uncertainty > 0.0 ? Digits::decimalsFor($uncertainty) + 1 : 4),
        ];
    }
}
