<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Calibration;
use Welkion\Core\Calibration\KeyFigure;
use Welkion\Core\Calibration\Verdict;

/** A kept calibration in a few lines, in the shape of the HTTP API. */
final class CalibrationSummaryResource
{
    /** @return array<string, mixed> of a calibration that knows its probe */
    public static function shape(Calibration $calibration): array
    {
        $calibrated = $calibration->calibrated();

        return [
            'id' => $calibration->id,
            'keptAt' => $calibration->kept_at?->toIso8601ZuluString(),
            'recipe' => $calibration->recipe->title(),
            'origin' => $calibration->origin->value,
            'unit' => $calibration->unit,
            'celsius' => $calibration->celsius,
            'keyFigures' => $calibrated === null ? [] : array_map(self::figure(...), $calibrated->keyFigures()),
            'verdict' => $calibrated === null ? null : self::verdict($calibrated->verdict()),
            'setAsideReason' => $calibration->set_aside_reason,
        ];
    }

    /** @return array<string, mixed> */
    public static function figure(KeyFigure $figure): array
    {
        return [
            'label' => $figure->label, 'measured' => MeasuredResource::shape($figure->measured),
            'goodFrom' => $figure->goodFrom, 'goodTo' => $figure->goodTo, 'usableFrom' => $figure->usableFrom, 'usableTo' => $figure->usableTo,
        ];
    }

    /** @return array<string, mixed> */
    public static function verdict(Verdict $verdict): array
    {
        return ['code' => $verdict->code, 'title' => $verdict->title, 'advice' => $verdict->advice, 'grade' => $verdict->grade->value];
    }
}
