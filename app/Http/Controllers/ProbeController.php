<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calibration\ProbeCupboard;
use App\Calibration\ProbeNaming;
use App\Calibration\ZeroBook;
use App\Http\Requests\ProbeRequest;
use App\Http\Resources\ProbeResource;
use App\Http\Resources\ProbeRunResource;
use App\Http\Resources\ZeroResource;
use App\Models\Probe;
use App\Models\RunChannel;
use App\Models\User;
use App\Models\Zero;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ProbeController
{
    private const MOST_RUNS = 200;

    public function show(Probe $probe): ProbeResource
    {
        return new ProbeResource($probe);
    }

    /** What one of no known kind measures. */
    public function update(ProbeRequest $request, Probe $probe, ProbeNaming $naming): ProbeResource
    {
        return new ProbeResource($naming->name($probe, $request->title(), $request->unit()));
    }

    public function putAway(Probe $probe, ProbeCupboard $cupboard): ProbeResource
    {
        return new ProbeResource($cupboard->putAway($probe));
    }

    public function bringBack(Probe $probe, ProbeCupboard $cupboard): ProbeResource
    {
        return new ProbeResource($cupboard->bringBack($probe));
    }

    /** The runs it took part in, the newest first. */
    public function runs(Probe $probe): AnonymousResourceCollection
    {
        return ProbeRunResource::collection(RunChannel::query()->with('run.experiment', 'probe', 'calibration', 'reworkings.calibration')
            ->where('probe_id', $probe->id)->latest('id')->limit(self::MOST_RUNS)->get());
    }

    /** The zeros taken, the newest first. */
    public function zeros(Probe $probe): AnonymousResourceCollection
    {
        return ZeroResource::collection($probe->zeros()->latest('id')->limit(50)->get());
    }

    public function zero(Probe $probe, ZeroBook $book, #[CurrentUser] User $user): JsonResponse
    {
        return (new ZeroResource($book->take($probe->load('bench', 'calibration', 'lastZero'), $user)))->response()->setStatusCode(201);
    }

    public function undoZero(Zero $zero, ZeroBook $book): ZeroResource
    {
        return new ZeroResource($book->undo($zero->load('probe.bench')));
    }
}
