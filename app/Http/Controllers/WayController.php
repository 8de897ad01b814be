<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\WayRequest;
use App\Http\Resources\ChangeAnswer;
use App\Http\Resources\WaysShape;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Notebook\Sender;
use App\Notebook\WayBook;
use Illuminate\Http\JsonResponse;
use Welkion\Core\Notebook\Straightened;

/** The ways that may make two columns of a run straight. */
final class WayController
{
    public function index(WayRequest $request, Run $run): JsonResponse
    {
        $work = ExperimentWork::of(NotebookRows::of($run->experiment));
        isset($work->worked->notebook->runs[$run->id]) || abort(404);
        [$x, $y] = [$request->plotted('x', $work->rows), $request->plotted('y', $work->rows)];

        return new JsonResponse(['x' => $x, 'y' => $y] + WaysShape::of(Straightened::of($work->worked, $run->id, $x, $y)));
    }

    public function store(WayRequest $request, Run $run, WayBook $book, Sender $sender): JsonResponse
    {
        $rows = NotebookRows::of($run->experiment);
        $rows->runs->contains($run) || abort(404);
        $book->take($run, $request->plotted('x', $rows), $request->plotted('y', $rows), $request->relation(), $request->boolean('hasLine'), $sender);

        return ChangeAnswer::to($run->experiment, $sender, 201);
    }
}
