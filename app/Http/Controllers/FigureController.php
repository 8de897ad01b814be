<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FigureRequest;
use App\Http\Resources\ChangeAnswer;
use App\Models\Experiment;
use App\Models\Figure;
use App\Notebook\FigureBook;
use App\Notebook\Sender;
use Illuminate\Http\JsonResponse;

final class FigureController
{
    public function __construct(private readonly FigureBook $book)
    {
    }

    public function store(FigureRequest $request, Experiment $experiment, Sender $sender): JsonResponse
    {
        $this->book->add($experiment, $request->string('title')->trim()->toString(), $request->options(), $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }

    public function update(FigureRequest $request, Experiment $experiment, Figure $figure, Sender $sender): JsonResponse
    {
        $this->book->change($experiment, $figure, $request->has('title') ? $request->string('title')->trim()->toString() : null, $request->options(), $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function destroy(Experiment $experiment, Figure $figure, Sender $sender): JsonResponse
    {
        $this->book->remove($experiment, $figure, $sender);

        return ChangeAnswer::to($experiment, $sender);
    }
}
