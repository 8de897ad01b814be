<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\GuessRequest;
use App\Http\Requests\LineRequest;
use App\Http\Resources\ChangeAnswer;
use App\Models\Experiment;
use App\Models\Line;
use App\Notebook\LineBook;
use App\Notebook\Sender;
use Illuminate\Http\JsonResponse;

final class LineController
{
    public function __construct(private readonly LineBook $book)
    {
    }

    public function store(LineRequest $request, Experiment $experiment, Sender $sender): JsonResponse
    {
        $this->book->add($experiment, $request->about(), $request->told(), $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }

    public function update(LineRequest $request, Experiment $experiment, Line $line, Sender $sender): JsonResponse
    {
        $this->book->change($experiment, $line, $request->changes(), $request->told(), $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function guess(GuessRequest $request, Experiment $experiment, Line $line, Sender $sender): JsonResponse
    {
        $this->book->guess($experiment, $line, $request->typed(), $request->run($experiment), $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function copy(Experiment $experiment, Line $line, Sender $sender): JsonResponse
    {
        $this->book->copy($experiment, $line, $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }

    public function destroy(Experiment $experiment, Line $line, Sender $sender): JsonResponse
    {
        $this->book->remove($experiment, $line, $sender);

        return ChangeAnswer::to($experiment, $sender);
    }
}
