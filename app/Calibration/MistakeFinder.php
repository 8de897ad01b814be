<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Models\Calibration;
use App\Models\ShelfStandard;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\Origin;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardSource;
use Welkion\Core\Exception\CoreException;

/** Finds the mistakes in an open calibration; positions in its faults are those of its standards. */
final class MistakeFinder
{
    /** @return list<CalibrationFault> the gravest first */
    public function in(Calibration $calibration): array
    {
        $calibration->loadMissing('probe', 'readings');
        $points = $calibration->points();
        $order = $calibration->readings->sortBy('id')->pluck('position')->intersect(array_keys($points))->values();
        $celsius = $calibration->celsius();
        $model = $calibration->probe->model();
        // Where its maker states no line, or one in another unit, there is nothing to expect; nor of a single zero.
        $hasExpectation = $calibration->unit === $model->unit
            && ($model->readsFromFactory() || $calibration->probe->isPhElectrode())
            && (count($points) > 1 || $this->firstSource($calibration) !== StandardSource::Rest);
        $check = $hasExpectation
            ? new CalibrationCheck($model->expectation($celsius), $calibration->probe->raw_unit, $this->known($calibration, $celsius)) : null;
        // A borrowed line, or the maker's, says nothing of how large the jump of this probe was.
        $last = $calibration->previous(Origin::Read);
        $faults = $check === null ? [] : $check->faults(
            array_values($order->map(static fn (int $position) => $points[$position])->all()),
            $last?->unit === $calibration->unit ? $last->calibrated()?->line() : null,
        );

        $untyped = $this->untyped($calibration);

        // Examples make no line that could be judged.
        return $untyped !== [] ? $untyped : [
            ...array_map(static fn (CalibrationFault $f): CalibrationFault => $f->at(array_values($order->all())), $faults),
            ...$this->expired($calibration),
            ...$this->poorFits($calibration),
        ];
    }

    private function firstSource(Calibration $calibration): ?StandardSource
    {
        return $calibration->standard((int) array_key_first($calibration->points()))?->source;
    }

    /** @return array<string, float> value by label of every standard that may stand in the room */
    private function known(Calibration $calibration, float $celsius): array
    {
        $standards = match ($calibration->probe->kind) {
            ProbeKind::PhElectrode => array_map(Standard::buffer(...), Buffer::cases()),
            ProbeKind::ConductivityCell => array_map(Standard::potassiumChloride(...), PotassiumChloride::cases()),
            ProbeKind::Thermometer => [Standard::ice(), Standard::boilingWater()],
            default => [],
        };
        $bottles = ShelfStandard::query()->where('user_id', $calibration->user_id)->where('kind', $calibration->probe->kind)->get()->sortBy('id');
        $known = [];
        foreach ([...$bottles->map(static fn (ShelfStandard $b): Standard => $b->standard())->all(), ...$standards] as $standard) {
            $known[$standard->label] ??= $standard->valueIn($calibration->surroundings($celsius));
        }

        return $known;
    }

    /** @return list<CalibrationFault> */
    private function untyped(Calibration $calibration): array
    {
        $faults = [];
        foreach ($calibration->readings as $reading) {
            $row = $calibration->standards[$reading->position] ?? null;
            if ($row !== null && ($row['isExample'] ?? false)) {
                $faults[] = CalibrationFault::notTyped($row['label'], $reading->position);
            }
        }

        return $faults;
    }

    /** @return list<CalibrationFault> */
    private function expired(Calibration $calibration): array
    {
        $bottles = ShelfStandard::withTrashed()->whereKey(array_filter(array_column($calibration->standards, 'shelfId')))->get()->keyBy('id');
        $faults = [];
        foreach ($calibration->standards as $position => $row) {
            $bottle = $bottles->get($row['shelfId'] ?? 0);
            if ($bottle?->expires_on !== null && $bottle->isExpired($calibration->kept_at ?? now())) {
                $faults[] = CalibrationFault::expired($row['label'], $bottle->expires_on->isoFormat('D MMMM YYYY'), $position);
            }
        }

        return $faults;
    }

    /** @return list<CalibrationFault> */
    private function poorFits(Calibration $calibration): array
    {
        $faults = [];
        foreach ($calibration->readings as $reading) {
            $standard = $calibration->standard($reading->position);
            if ($standard === null || $standard->isPoint()) {
                continue;
            }
            try {
                $shown = $calibration->calibrated()?->quantity($reading->raw);
            } catch (CoreException) {
                continue;
            }
            $fault = $shown === null ? null : CalibrationCheck::fit($standard, $shown, $reading->position);
            $faults = $fault === null ? $faults : [...$faults, $fault];
        }

        return $faults;
    }
}
