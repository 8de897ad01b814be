<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ColumnRequest;
use App\Http\Resources\ChangeAnswer;
use App\Models\Column;
use App\Models\Experiment;
use App\Notebook\ColumnBook;
use App\Notebook\Sender;
use Illuminate\Http\JsonResponse;

final class ColumnController
{
    public function __construct(private readonly ColumnBook $book)
    {
    }

    public function store(ColumnRequest $request, Experiment $experiment, Sender $sender): JsonResponse
    {
        $this->book->add($experiment, $request->columns(), $request->probe(), $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }

    public function update(ColumnRequest $request, Experiment $experiment, Column $column, Sender $sender): JsonResponse
    {
        $this->book->change($experiment, $column, $request->columns(), $request->boolean('keepsNumbers'), $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function destroy(Experiment $experiment, Column $column, Sender $sender): JsonResponse
    {
        $this->book->remove($experiment, $column, $sender);

        return ChangeAnswer::to($experiment, $sender);
    }
}
