<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\StoreExperimentRequest;
use App\Http\Requests\UpdateExperimentRequest;
use App\Http\Resources\ExperimentResource;
use App\Http\Resources\ExperimentSummaryResource;
use App\Http\Stored;
use App\Live\ChangeNotice;
use App\Models\Experiment;
use App\Models\User;
use App\Titration\Protocol;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ExperimentController
{
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return ExperimentSummaryResource::collection(
            $user->experiments()->with('bench.probes.calibration', 'runs')->withCount('runs')->latest('updated_at')->latest('id')->get(),
        );
    }

    public function store(StoreExperimentRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        $experiment = $user->experiments()->create([
            'bench_id' => $request->bench()->id, 'title' => $request->string('title')->trim()->toString(),
        ] + Protocol::titration());

        return (new ExperimentResource($experiment->refresh()))->response()->setStatusCode(201);
    }

    public function show(Experiment $experiment): ExperimentResource
    {
        return new ExperimentResource($experiment);
    }

    public function update(UpdateExperimentRequest $request, Experiment $experiment, ChangeNotice $notice): JsonResponse
    {
        return Stored::andTold(static function () use ($request, $experiment, $notice): ExperimentResource {
            // Changes that arrive together queue here, so that neither writes over the other.
            $experiment->newQuery()->whereKey($experiment->id)->lockForUpdate()->first();
            $experiment->refresh()->update($request->changes($experiment));
            $notice->experimentChanged($experiment);

            return new ExperimentResource($experiment);
        });
    }
}
