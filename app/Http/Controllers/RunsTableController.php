<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\RunsTableShape;
use App\Models\Experiment;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use Illuminate\Http\JsonResponse;

/** One row a run, and its columns by condition. */
final class RunsTableController
{
    public function __invoke(Experiment $experiment): JsonResponse
    {
        $work = ExperimentWork::of(NotebookRows::of($experiment));
        $work->lines();

        return new JsonResponse(RunsTableShape::of($work));
    }
}
