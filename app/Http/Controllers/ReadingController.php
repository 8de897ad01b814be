<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ReadingRequest;
use App\Http\Requests\SetAsideRequest;
use App\Http\Resources\ChangeAnswer;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\Sender;
use App\Recording\ReadingBook;
use App\Recording\SetAsideBook;
use Illuminate\Http\JsonResponse;

/** Every change of a reading answers with the rows of its run: table, figure and advice change together. */
final class ReadingController
{
    public function __construct(private readonly ReadingBook $book)
    {
    }

    public function store(ReadingRequest $request, Run $run, Sender $sender): JsonResponse
    {
        $run->loadMissing('bench', 'beside')->experiment->loadMissing('columns');
        $this->book->take($run, $request->step($run), $request->replaced($run), $request->boolean('takeAnyway'), $sender);

        return ChangeAnswer::to($run->experiment, $sender, 201);
    }

    public function setAside(SetAsideRequest $request, Run $run, SetAsideBook $book, Sender $sender): JsonResponse
    {
        $book->set($run, $request->rows($run), $request->reason(), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }

    public function destroy(Run $run, Reading $reading, Sender $sender): JsonResponse
    {
        $run->experiment->loadMissing('columns');
        $this->book->delete($reading->setRelation('run', $run), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }
}
