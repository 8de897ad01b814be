<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;

/** Storing and answering as one: what cannot be worked out and told afterwards is not stored. */
final class Stored
{
    /** @param  \Closure(): JsonResource  $store */
    public static function andTold(\Closure $store, int $status = 200): JsonResponse
    {
        return DB::transaction(static fn (): JsonResponse => $store()->response()->setStatusCode($status));
    }
}
