<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PointsRequest;
use App\Http\Requests\WatchRequest;
use App\Http\Resources\RunRowsShape;
use App\Http\Resources\WatchedShape;
use App\Models\Run;
use App\Models\Watch;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Recording\RunPictures;
use App\Watching\WatchDoor;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\Response;

/** What an onlooker without an account sees of an open board. Nothing can be changed here. */
final class WatcherController
{
    public function enter(WatchRequest $request, WatchDoor $door): JsonResponse
    {
        return new JsonResponse(WatchedShape::of($door->enter($request->code(), (string) $request->ip())));
    }

    public function show(Watch $watch): JsonResponse
    {
        return new JsonResponse(WatchedShape::of($watch));
    }

    public function run(Watch $watch, Run $run): JsonResponse
    {
        $work = ExperimentWork::of(NotebookRows::of($run->experiment));
        $known = $work->rows->runs->find($run->id) ?? abort(404);
        $work->rows->experiment->setRelation('columns', $work->rows->columns);

        return new JsonResponse(RunRowsShape::of($known, $work, isWithSamples: false));
    }

    public function points(PointsRequest $request, Watch $watch, Run $run, PointsController $controller, RunPictures $pictures): Response
    {
        return $controller($request, $run, $pictures);
    }
}
