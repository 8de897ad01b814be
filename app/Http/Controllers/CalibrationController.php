<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calibration\CalibrationBook;
use App\Http\Requests\ExchangeRequest;
use App\Http\Requests\StandardsRequest;
use App\Http\Resources\CalibrationResource;
use App\Http\Resources\CalibrationSummaryResource;
use App\Models\Calibration;
use App\Models\Probe;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

final class CalibrationController
{
    public function __construct(private readonly CalibrationBook $book)
    {
    }

    public function index(Probe $probe): AnonymousResourceCollection
    {
        return CalibrationSummaryResource::collection($this->book->history($probe));
    }

    public function store(StandardsRequest $request, Probe $probe, #[CurrentUser] User $user): JsonResponse
    {
        $calibration = $this->book->open($probe, $user, $request->standards());

        return (new CalibrationResource($calibration))->response()->setStatusCode(201);
    }

    public function show(Calibration $calibration): CalibrationResource
    {
        return new CalibrationResource($calibration);
    }

    public function update(StandardsRequest $request, Calibration $calibration): CalibrationResource
    {
        return new CalibrationResource($this->book->changeStandards($calibration, $request->standards()));
    }

    public function exchange(ExchangeRequest $request, Calibration $calibration): CalibrationResource
    {
        return new CalibrationResource($this->book->exchange($calibration, ...$request->positions()));
    }

    public function keep(Calibration $calibration): CalibrationResource
    {
        return new CalibrationResource($this->book->keep($calibration));
    }

    public function destroy(Calibration $calibration): Response
    {
        $this->book->drop($calibration);

        return new Response(status: 204);
    }
}
