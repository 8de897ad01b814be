<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calibration\CalibrationKeeping;
use App\Http\Requests\ChosenCalibrationRequest;
use App\Http\Requests\ReasonRequest;
use App\Http\Resources\CalibrationResource;
use App\Http\Stored;
use App\Models\Calibration;
use App\Models\Probe;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

final class KeptCalibrationController
{
    public function __construct(private readonly CalibrationKeeping $keeping)
    {
    }

    public function setAside(ReasonRequest $request, Calibration $calibration): CalibrationResource
    {
        return new CalibrationResource($this->keeping->setAside($calibration, $request->reason()));
    }

    public function copy(ChosenCalibrationRequest $request, Probe $probe, #[CurrentUser] User $user): JsonResponse
    {
        return Stored::andTold(fn (): CalibrationResource => new CalibrationResource(
            $this->keeping->copy($probe->load('bench'), $request->calibration(), $user),
        ), 201);
    }

    public function factory(Probe $probe, #[CurrentUser] User $user): JsonResponse
    {
        return Stored::andTold(fn (): CalibrationResource => new CalibrationResource($this->keeping->factory($probe->load('bench'), $user)), 201);
    }
}
