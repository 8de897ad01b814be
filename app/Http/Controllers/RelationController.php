<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\RelationRequest;
use App\Http\Requests\RelationsRequest;
use App\Http\Resources\RelationShape;
use App\Http\Resources\RelationsShape;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use Illuminate\Http\JsonResponse;
use Welkion\Core\Notebook\Related;

/** The relations that may hold between two columns of a run, or a span of it: nothing is kept. */
final class RelationController
{
    public function index(RelationsRequest $request, Run $run): JsonResponse
    {
        [$related, $x, $y] = self::related($request, $run);

        return new JsonResponse(RelationsShape::of($related, $x, $y));
    }

    public function show(RelationRequest $request, Run $run): JsonResponse
    {
        [$related, $x, $y] = self::related($request, $run);

        return new JsonResponse(RelationShape::of($related, $request->texts(), $x, $y));
    }

    /** @return array{Related, string, string} with the symbols of both columns */
    private static function related(RelationsRequest $request, Run $run): array
    {
        $work = ExperimentWork::below($run, $request->named('x', 'y'));
        isset($work->worked->notebook->runs[$run->id]) || abort(404);
        [$x, $y] = [$request->plotted('x', $work->rows), $request->plotted('y', $work->rows)];

        return [Related::of($work->worked, $run->id, $x, $y, $request->span()), $x, $y];
    }
}
