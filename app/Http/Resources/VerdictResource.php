<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Calibration\ElectrodeCalibration;

/** A verdict on an electrode, in the shape of the HTTP API. */
final class VerdictResource
{
    /** @return array<string, mixed> */
    public static function shape(ElectrodeCalibration $line): array
    {
        $verdict = $line->verdict();

        return [
            'code' => $verdict->value,
            'title' => $verdict->title(),
            'advice' => $verdict->advice($line->offset),
            'isUsable' => $verdict->isUsable(),
        ];
    }
}
