<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\EntryRequest;
use App\Http\Requests\TypedRequest;
use App\Http\Resources\ChangeAnswer;
use App\Models\Entry;
use App\Models\Experiment;
use App\Notebook\EntryBook;
use App\Notebook\Sender;
use Illuminate\Http\JsonResponse;

final class EntryController
{
    public function __construct(private readonly EntryBook $book)
    {
    }

    public function store(EntryRequest $request, Experiment $experiment, Sender $sender): JsonResponse
    {
        $this->book->add($experiment, $request->made(), $request->typed(), $request->run($experiment), $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }

    public function update(EntryRequest $request, Experiment $experiment, Entry $entry, Sender $sender): JsonResponse
    {
        $this->book->change($experiment, $entry, $request->changes(), $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function type(TypedRequest $request, Experiment $experiment, Entry $entry, Sender $sender): JsonResponse
    {
        $said = $this->book->type($experiment, $entry, $request->typed(), $request->run($experiment), $sender);

        return ChangeAnswer::to($experiment, $sender, said: $said);
    }

    public function destroy(Experiment $experiment, Entry $entry, Sender $sender): JsonResponse
    {
        $this->book->remove($experiment, $entry, $sender);

        return ChangeAnswer::to($experiment, $sender);
    }
}
