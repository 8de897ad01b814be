<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exceptions\Refusal;
use App\Http\Requests\GoOnRequest;
use App\Http\Requests\RunRequest;
use App\Http\Resources\ChangeAnswer;
use App\Http\Resources\RunRowsShape;
use App\Models\Experiment;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Notebook\Sender;
use App\Recorder\RecorderClient;
use App\Recording\RunBook;
use App\Recording\RunStart;
use App\Typing\TypedRunStart;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

final class RunController
{
    public function __construct(private readonly RunBook $book)
    {
    }

    public function store(RunRequest $request, Experiment $experiment, Sender $sender, RunStart $start, TypedRunStart $typed): JsonResponse
    {
        $request->input('kind') === Run::TYPED ? $typed->start($experiment, $request->described(), $sender)
            : $start->start($experiment->loadMissing('bench', 'beside', 'columns'), $request->bench(), $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }

    /** Its rows. */
    public function show(Run $run): JsonResponse
    {
        $run->seen();
        $work = ExperimentWork::of(NotebookRows::of($run->experiment));
        $known = $work->rows->runs->find($run->id) ?? abort(404);
        $work->rows->experiment->setRelation('columns', $work->rows->columns);

        return new JsonResponse(RunRowsShape::of($known, $work));
    }

    public function update(RunRequest $request, Run $run, Sender $sender): JsonResponse
    {
        $run->experiment->loadMissing('columns');
        $plan = $request->plan($run);
        match (true) {
            $plan !== null => $this->book->changePlan($run, $plan, $sender),
            $request->has('before') => $this->book->move($run, $request->before($run), $sender),
            default => $this->book->describe($run, $request->described(), $sender),
        };

        return ChangeAnswer::to($run->experiment, $sender);
    }

    public function finish(Run $run, Sender $sender): JsonResponse
    {
        $this->book->finish($run->loadMissing('bench', 'beside'), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }

    public function reopen(Run $run, Sender $sender): JsonResponse
    {
        $this->book->reopen($run->loadMissing('bench', 'beside'), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }

    /** A timed run goes on for some time more. */
    public function goOn(GoOnRequest $request, Run $run, Sender $sender): JsonResponse
    {
        $this->book->goOn($run->loadMissing('bench', 'beside'), $request->more(), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }

    /** A timed run that waits for it begins now. */
    public function begin(Run $run, RecorderClient $recorder): Response
    {
        $recorder->begin($run->loadMissing('bench', 'beside')->bench ?? throw Refusal::noBench(), $run->id);

        return new Response(status: 204);
    }

    /** Thrown away; it comes back with undo. */
    public function destroy(Run $run, Sender $sender): JsonResponse
    {
        $this->book->throwAway($run->loadMissing('bench', 'beside'), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }
}
