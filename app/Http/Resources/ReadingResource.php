<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Titration\ReadingPoint;

/** A reading in the shape of the HTTP API. */
final class ReadingResource
{
    /** @return array<string, mixed> */
    public static function shape(ReadingPoint $point): array
    {
        return [
            'id' => $point->reading->id,
            'volume' => $point->reading->volume,
            'ph' => $point->ph === null ? null : MeasuredResource::shape($point->ph),
            'millivolts' => $point->millivolts,
            'celsius' => $point->celsius,
            'wasSteady' => $point->reading->was_steady,
            'setAsideReason' => $point->reading->set_aside_reason,
            'takenAt' => $point->reading->created_at->toIso8601ZuluString('millisecond'),
        ];
    }
}
