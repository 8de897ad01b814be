<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exceptions\Refusal;
use App\Http\Requests\CellsRequest;
use App\Http\Requests\PageRequest;
use App\Http\Requests\RowsRequest;
use App\Http\Resources\ChangeAnswer;
use App\Http\Resources\TypedRowsShape;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Notebook\Sender;
use App\Typing\CellBook;
use App\Typing\RowBook;
use Illuminate\Http\JsonResponse;

/** Cells that are typed, and the rows of typed runs. */
final class TypedRowController
{
    public function __construct(private readonly RowBook $rows)
    {
    }

    /** Rows of a typed run from a place on. */
    public function index(PageRequest $request, Run $run): JsonResponse
    {
        $run->isTyped() || throw Refusal::rowsAreRecorded();
        $work = ExperimentWork::of(NotebookRows::of($run->experiment));
        $known = $work->rows->runs->find($run->id) ?? abort(404);

        return new JsonResponse((new TypedRowsShape($known, $work))->page($request->integer('from'), $request->integer('count')));
    }

    public function fill(CellsRequest $request, Run $run, CellBook $cells, Sender $sender): JsonResponse
    {
        $experiment = $run->experiment->loadMissing('columns');
        $cells->put($run, $request->row(), $request->columns(), $request->cells(), $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function store(RowsRequest $request, Run $run, Sender $sender): JsonResponse
    {
        $this->rows->insert($run, $request->integer('count'), $request->before(), $sender);

        return ChangeAnswer::to($run->experiment, $sender, 201);
    }

    public function move(RowsRequest $request, Run $run, Sender $sender): JsonResponse
    {
        $this->rows->move($run, $request->integer('from'), $request->integer('to'), $request->before(), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }

    public function destroy(RowsRequest $request, Run $run, Sender $sender): JsonResponse
    {
        $this->rows->delete($run, $request->integer('from'), $request->integer('to'), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }
}
