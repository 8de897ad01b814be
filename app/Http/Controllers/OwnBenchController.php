<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exceptions\Refusal;
use App\Http\Requests\OwnBenchRequest;
use App\Http\Resources\BenchResource;
use App\Models\Bench;
use App\Models\Run;
use App\Models\User;
use App\Recorder\Link\BenchTrial;
use App\Recorder\RecorderClient;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** Benches a teacher connects, names and puts away. */
final class OwnBenchController
{
    /** Answers whatever was found: that nothing listens there is no failure of the request. */
    public function try(OwnBenchRequest $request): JsonResponse
    {
        return new JsonResponse(BenchTrial::of($request->host(), $request->integer('port'), $request->linkName()));
    }

    public function store(OwnBenchRequest $request, #[CurrentUser] User $user, RecorderClient $recorder): JsonResponse
    {
        $bench = $user->benches()->create([
            'name' => $request->name(), 'host' => $request->host(), 'port' => $request->integer('port'), 'link_name' => $request->linkName(), 'is_simulated' => false,
        ])->refresh();
        $recorder->reload($bench);

        return (new BenchResource($bench->load(BenchResource::WITH)))->response()->setStatusCode(201);
    }

    public function rename(OwnBenchRequest $request, Bench $bench): BenchResource
    {
        $bench->update(['name' => $request->name()]);

        return new BenchResource($bench->load(BenchResource::WITH));
    }

    /** What was recorded at it stays; it comes back with "bring back". */
    public function putAway(Bench $bench): BenchResource
    {
        $open = Run::openAt($bench->id)->with('experiment')->first();
        $open === null || throw Refusal::benchBusy($open->experiment->title);
        $bench->update(['put_away_at' => $bench->put_away_at ?? now()]);

        return new BenchResource($bench->load(BenchResource::WITH));
    }

    public function bringBack(Bench $bench, RecorderClient $recorder): BenchResource
    {
        $bench->update(['put_away_at' => null]);
        $recorder->reload($bench);

        return new BenchResource($bench->load(BenchResource::WITH));
    }
}
