<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ShelfStandard;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin ShelfStandard */
final class ShelfStandardResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'source' => $this->source->value,
            'code' => $this->code,
            'label' => $this->label,
            'value' => $this->value,
            'uncertainty' => $this->uncertainty,
            'unit' => $this->unit,
            'lot' => $this->lot,
            'expiresOn' => $this->expires_on?->format('Y-m-d'),
            'isExpired' => $this->isExpired(now()),
        ];
    }
}
