<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SpanRequest;
use App\Http\Resources\ChangeAnswer;
use App\Models\Experiment;
use App\Models\Span;
use App\Notebook\Sender;
use App\Notebook\SpanBook;
use Illuminate\Http\JsonResponse;

final class SpanController
{
    public function __construct(private readonly SpanBook $book)
    {
    }

    public function store(SpanRequest $request, Experiment $experiment, Sender $sender): JsonResponse
    {
        $this->book->add($experiment, $request->column($experiment), $request->string('name')->trim()->toString(), $request->float('from'), $request->float('to'), $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }

    public function update(SpanRequest $request, Experiment $experiment, Span $span, Sender $sender): JsonResponse
    {
        $run = $request->run();
        $run === null ? $this->book->change($experiment, $span, $request->changes(), $sender)
            : $this->book->place($experiment, $span, $run, $request->ends(), $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function destroy(Experiment $experiment, Span $span, Sender $sender): JsonResponse
    {
        $this->book->remove($experiment, $span, $sender);

        return ChangeAnswer::to($experiment, $sender);
    }
}
