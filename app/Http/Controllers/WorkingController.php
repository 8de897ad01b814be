<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\WorkingRequest;
use App\Http\Resources\WorkingResource;
use App\Models\Experiment;
use App\Titration\ExperimentWorking;

final class WorkingController
{
    public function __invoke(WorkingRequest $request, Experiment $experiment): WorkingResource
    {
        return new WorkingResource(ExperimentWorking::of($experiment, $request->run($experiment)));
    }
}
