<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\UpdateRunRequest;
use App\Http\Resources\RunResource;
use App\Http\Stored;
use App\Models\Experiment;
use App\Models\Run;
use App\Titration\RunBook;
use Illuminate\Http\JsonResponse;

final class RunController
{
    public function __construct(private readonly RunBook $book)
    {
    }

    public function store(Experiment $experiment): JsonResponse
    {
        return (new RunResource($this->book->start($experiment)))->response()->setStatusCode(201);
    }

    public function show(Run $run): RunResource
    {
        return new RunResource($run);
    }

    public function update(UpdateRunRequest $request, Run $run): JsonResponse
    {
        return Stored::andTold(fn (): RunResource => new RunResource($this->book->changePlan($run, $request->plan($run))));
    }

    public function reopen(Run $run): RunResource
    {
        return new RunResource($this->book->reopen($run));
    }

    public function finish(Run $run): RunResource
    {
        return new RunResource($this->book->finish($run));
    }
}
