<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\SignIn;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Carbon;

/** @mixin SignIn */
final class SignInResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->fingerprint(),
            'device' => preg_match('/Mobi|Android|iPhone|iPad|Tablet/i', $this->user_agent ?? '') === 1 ? 'phone or tablet' : 'computer',
            'address' => $this->ip_address,
            'lastSeenAt' => Carbon::createFromTimestamp($this->last_activity)->toIso8601ZuluString(),
            'isThis' => $request->hasSession() && $request->session()->getId() === $this->id,
        ];
    }
}
