<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\BenchRequest;
use App\Http\Resources\BenchResource;
use App\Http\Stored;
use App\Models\Bench;
use App\Models\User;
use App\Recorder\RecorderClient;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class BenchController
{
    /** Those in use, or those that were put away. */
    public function index(Request $request, #[CurrentUser] User $user): AnonymousResourceCollection
    {
        return BenchResource::collection($user->benches()->where('put_away_at', $request->boolean('putAway') ? '!=' : '=', null)
            ->with(BenchResource::WITH)->orderBy('name')->get());
    }

    public function show(Bench $bench): BenchResource
    {
        return new BenchResource($bench->load(BenchResource::WITH));
    }

    public function update(BenchRequest $request, Bench $bench, RecorderClient $recorder): JsonResponse
    {
        return Stored::andTold(static function () use ($request, $bench, $recorder): BenchResource {
            $limits = $bench->steady_limits ?? [];
            $limits[$request->kind()->value] = $request->limits();
            $bench->update(['steady_limits' => array_filter($limits)]);
            $recorder->reload($bench);

            return new BenchResource($bench->load(BenchResource::WITH));
        });
    }
}
