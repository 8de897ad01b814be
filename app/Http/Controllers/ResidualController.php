<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Experiment;
use App\Models\Line;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What the curve of a line leaves over: asked for when somebody looks, as it is long. */
final class ResidualController
{
    public function __invoke(Request $request, Experiment $experiment, Line $line): JsonResponse
    {
        $request->validate(['run' => ['sometimes', 'integer']], ['run.*' => 'Say which run, by its number in the address.']);
        $work = ExperimentWork::of(NotebookRows::of($experiment));
        $run = $line->is_per_run ? $request->integer('run') : null;
        $run === null || isset($work->worked->notebook->runs[$run]) || abort(404);
        $goodness = $work->worked->line($line->symbol, $run)->outcome?->goodness;

        return new JsonResponse(['x' => $goodness->x ?? [], 'residuals' => $goodness->residuals ?? []]);
    }
}
