<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\MarkerRequest;
use App\Http\Resources\ChangeAnswer;
use App\Models\Marker;
use App\Models\Run;
use App\Notebook\Sender;
use App\Recording\MarkerBook;
use Illuminate\Http\JsonResponse;

final class MarkerController
{
    public function __construct(private readonly MarkerBook $book)
    {
    }

    public function store(MarkerRequest $request, Run $run, Sender $sender): JsonResponse
    {
        $run->loadMissing('bench', 'experiment');
        $row = $request->row();
        $row === null ? $this->book->drop($run, $request->at(), $request->name(), $sender) : $this->book->pin($run, $row, $request->name(), $sender);

        return ChangeAnswer::to($run->experiment, $sender, 201);
    }

    public function update(MarkerRequest $request, Run $run, Marker $marker, Sender $sender): JsonResponse
    {
        $this->book->change($marker->setRelation('run', $run->loadMissing('experiment')), $request->changes(), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }

    public function destroy(Run $run, Marker $marker, Sender $sender): JsonResponse
    {
        $this->book->remove($marker->setRelation('run', $run->loadMissing('experiment')), $sender);

        return ChangeAnswer::to($run->experiment, $sender);
    }
}
