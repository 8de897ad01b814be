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
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class BenchController
{
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return BenchResource::collection($user->benches()->with(BenchResource::WITH)->orderBy('name')->get());
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
