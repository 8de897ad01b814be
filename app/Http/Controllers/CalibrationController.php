<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calibration\CalibrationBook;
use App\Calibration\CalibrationKeeping;
use App\Http\Requests\CalibrationRequest;
use App\Http\Requests\ExchangeRequest;
use App\Http\Resources\CalibrationHistoryResource;
use App\Http\Resources\CalibrationResource;
use App\Http\Stored;
use App\Models\Calibration;
use App\Models\Probe;
use App\Models\User;
use App\Notebook\Sender;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** A calibration while it is being taken; see KeptCalibrationController for what follows. */
final class CalibrationController
{
    public function __construct(private readonly CalibrationBook $book, private readonly CalibrationKeeping $keeping)
    {
    }

    public function index(Probe $probe): CalibrationHistoryResource
    {
        return new CalibrationHistoryResource($this->keeping->history($probe));
    }

    public function store(CalibrationRequest $request, Probe $probe, #[CurrentUser] User $user, Sender $sender): JsonResponse
    {
        return Stored::andTold(fn (): CalibrationResource => new CalibrationResource($this->book->open(
            $probe, $user, $request->recipe(), $request->standards(), $request->settings(), $request->beside(), $sender->key,
        )), 201);
    }

    public function show(Calibration $calibration): CalibrationResource
    {
        return new CalibrationResource($calibration);
    }

    public function update(CalibrationRequest $request, Calibration $calibration): JsonResponse
    {
        return Stored::andTold(fn (): CalibrationResource => new CalibrationResource(
            $this->book->change($calibration, $request->standards(), $request->settings()),
        ));
    }

    public function exchange(ExchangeRequest $request, Calibration $calibration): JsonResponse
    {
        return Stored::andTold(fn (): CalibrationResource => new CalibrationResource($this->book->exchange($calibration, ...$request->positions())));
    }

    public function keep(Calibration $calibration): JsonResponse
    {
        return Stored::andTold(fn (): CalibrationResource => new CalibrationResource($this->book->keep($calibration)));
    }

    /** One that is open is left; one that was kept is discarded, unless a run was recorded with it. */
    public function destroy(Calibration $calibration): Response
    {
        $calibration->state === Calibration::KEPT ? $this->keeping->discard($calibration) : $this->book->drop($calibration);

        return new Response(status: 204);
    }
}
