<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;

/** A measured value in the shape of the HTTP API: in full, and with the digits its uncertainty allows. */
final class MeasuredResource
{
    /** @return array<string, mixed> */
    public static function shape(Measured $measured): array
    {
        $digits = Digits::of($measured);

        return [
            'value' => $measured->value,
            'uncertainty' => $measured->uncertainty,
            'unit' => $measured->unit->symbol,
            'shownValue' => $digits->value,
            'shownUncertainty' => $digits->uncertainty,
        ];
    }
}
