<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Live\Onlookers;
use App\Models\Experiment;
use App\Models\Watch;
use App\Watching\BoardChannels;
use App\Watching\WatchBook;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** A teacher opens the board of an experiment to others, and closes it. */
final readonly class WatchController
{
    public function __construct(private WatchBook $book, private Onlookers $onlookers)
    {
    }

    /** Which live values belong on the board, and whether others may see it. */
    public function show(Experiment $experiment): JsonResponse
    {
        return $this->answer($experiment, $this->book->openOf($experiment));
    }

    public function store(Experiment $experiment): JsonResponse
    {
        return $this->answer($experiment, $this->book->open($experiment))->setStatusCode(201);
    }

    public function destroy(Experiment $experiment): Response
    {
        $this->book->close($experiment);

        return new Response(status: 204);
    }

    private function answer(Experiment $experiment, ?Watch $watch): JsonResponse
    {
        return new JsonResponse(BoardChannels::of($experiment->loadMissing('bench', 'beside', 'columns')) + ['watch' => $watch === null ? null : [
            'code' => $watch->code, 'closesAt' => $watch->expires_at->toIso8601ZuluString(), 'onlookers' => $this->onlookers->of($watch->id),
        ]]);
    }
}
