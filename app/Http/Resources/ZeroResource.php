<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Zero;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Zero */
final class ZeroResource extends JsonResource
{
    /** @return array<string, mixed> */
    public static function shape(Zero $zero): array
    {
        return [
            'id' => $zero->id,
            'raw' => $zero->raw,
            'valueBefore' => $zero->value_before,
            'unit' => $zero->unit,
            'takenAt' => $zero->created_at->toIso8601ZuluString(),
            'undoneAt' => $zero->undone_at?->toIso8601ZuluString(),
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::shape($this->resource);
    }
}
