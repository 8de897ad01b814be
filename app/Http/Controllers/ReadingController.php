<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SetAsideRequest;
use App\Http\Requests\TakeReadingRequest;
use App\Http\Resources\RunResource;
use App\Models\Reading;
use App\Models\Run;
use App\Titration\RunBook;
use Illuminate\Http\JsonResponse;

/** Every change of a reading answers with the whole run: table, figure and advice change together. */
final class ReadingController
{
    public function __construct(private readonly RunBook $book)
    {
    }

    public function store(TakeReadingRequest $request, Run $run): JsonResponse
    {
        $this->book->takeReading($run, $request->key(), $request->float('volume'), $request->replaces(), $request->boolean('takeAnyway'));

        return (new RunResource($run->fresh()))->response()->setStatusCode(201);
    }

    public function update(SetAsideRequest $request, Reading $reading): RunResource
    {
        return new RunResource($this->book->setAside($reading, $request->reason())->run->fresh());
    }

    public function destroy(Reading $reading): RunResource
    {
        $this->book->delete($reading);

        return new RunResource($reading->run->fresh());
    }

    public function restore(Reading $reading): RunResource
    {
        return new RunResource($this->book->restore($reading)->run->fresh());
    }
}
