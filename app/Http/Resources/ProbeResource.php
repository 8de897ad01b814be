<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Calibration\StandardRows;
use App\Models\Probe;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Series\SteadyLimits;
use Welkion\Core\Uncertainty\Digits;

/** @mixin Probe */
final class ProbeResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $this->resource->loadMissing('bench', 'calibration', 'lastZero');

        return self::shape($this->resource);
    }

    /** @return array<string, mixed> */
    public static function shape(Probe $probe): array
    {
        $calibration = $probe->calibrationWithProbe();
        $zero = $probe->zero();
        $limits = $probe->quantityLimits();

        return [
            'id' => $probe->id,
            'bench' => ['id' => $probe->bench->id, 'name' => $probe->bench->name],
            'channel' => $probe->channel,
            'kind' => $probe->kind->value,
            'title' => $probe->title,
            'serial' => $probe->serial,
            'rawUnit' => $probe->raw_unit,
            'unit' => $probe->unit(),
            'decimals' => $probe->decimals(),
            'rawDecimals' => Digits::decimalsOf($probe->resolution),
            'resolution' => $probe->resolution,
            'fastestHz' => $probe->fastest_hz,
            'isPresent' => $probe->is_present,
            'isPutAway' => $probe->put_away_at !== null,
            'isAlive' => $probe->kind->isAlive(),
            'movedFrom' => $probe->recentlyMovedFrom(),
            'canBeZeroed' => $probe->kind->canBeZeroed(),
            'isReady' => $probe->isReady(),
            'trust' => $probe->trust()->value,
            'trustSentence' => $probe->trustSentence(),
            'calibration' => $calibration === null ? null : CalibrationSummaryResource::shape($calibration),
            'zero' => $zero === null ? null : ZeroResource::shape($zero),
            'recipes' => array_map(static fn (Recipe $r): array => [
                'key' => $r->value, 'title' => $r->title(), 'hint' => $r->hint(), 'unit' => $r->unit($probe->model()->unit),
                'needsBarometer' => $r->needsBarometer(), 'needsBore' => $r->needsBore(),
            ], Recipe::for($probe->kind)),
            'standardChoices' => array_map(StandardRows::row(...), Recipe::standardChoices($probe->kind, $probe->model()->unit)),
            'steady' => self::limits($limits) + ['rawScatter' => $probe->steadyLimits()->scatter, 'isOwn' => isset($probe->bench->steady_limits[$probe->kind->value])],
        ];
    }

    /** @return array<string, float> */
    private static function limits(SteadyLimits $limits): array
    {
        return [
            'driftPerMinute' => $limits->driftPerMinute, 'scatter' => $limits->scatter, 'tolerance' => $limits->tolerance,
            'windowS' => $limits->windowS, 'share' => $limits->share,
        ];
    }
}
