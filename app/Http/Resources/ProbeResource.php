<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Calibration\StandardRows;
use App\Models\Probe;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Series\SteadyLimits;

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
            'decimals' => $probe->kind->decimals(),
            'rawDecimals' => self::decimalsOf($probe->resolution),
            'resolution' => $probe->resolution,
            'fastestHz' => $probe->fastest_hz,
            'isPresent' => $probe->is_present,
            'isPutAway' => $probe->put_away_at !== null,
            'isAlive' => $probe->kind->isAlive(),
            'movedFrom' => $probe->recentlyMovedFrom(),
            'canBeZeroed' => $probe->kind->canBeZeroed(),
            'isReady' => $probe->is_present && $probe->trust()->isUnquestioned(),
            'trust' => $probe->trust()->value,
            'trustSentence' => $probe->trustSentence(),
            'calibration' => $calibration === null ? null : CalibrationSummaryResource::shape($calibration),
            'zero' => $zero === null ? null : ZeroResource::shape($zero),
            'recipes' => array_map(static fn (Recipe $r): array => [
                'key' => $r->value, 'title' => $r->title(), 'hint' => $r->hint(), 'unit' => $r->unit($probe->kind),
                'needsBarometer' => $r->needsBarometer(), 'needsBore' => $r->needsBore(),
            ], Recipe::for($probe->kind)),
            'standardChoices' => array_map(StandardRows::row(...), self::choices($probe->kind)),
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

    /** @return list<Standard> what can be chosen besides a typed value */
    private static function choices(ProbeKind $kind): array
    {
        $all = match ($kind) {
            ProbeKind::PhElectrode => array_map(Standard::buffer(...), Buffer::cases()),
            ProbeKind::ConductivityCell => array_map(Standard::potassiumChloride(...), PotassiumChloride::cases()),
            default => array_merge(...array_map(static fn (Recipe $r): array => $r->standards($kind), Recipe::for($kind))),
        };
        $choices = [];
        foreach ($all as $standard) {
            if ($standard->source->value !== 'typed') {
                $choices["{$standard->source->value} {$standard->code} {$standard->label}"] = $standard;
            }
        }

        return array_values($choices);
    }

    /** Digits after the point that a resolution reaches: 1 for 0.1, 2 for 0.05, 4 for 0.0005. */
    private static function decimalsOf(float $resolution): int
    {
        return $resolution > 0.0 ? max(0, (int) ceil(-log10($resolution) - 1e-9)) : 3;
    }
}
