<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SpanNumbersRequest;
use App\Http\Resources\TriedLineShape;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use Illuminate\Http\JsonResponse;
use Welkion\Core\Notebook\SpanNumbers;
use Welkion\Core\Notebook\WorkedLine;

/** What a stretch of a run comes to, told while it is dragged: nothing is kept. */
final class SpanNumbersController
{
    public function __invoke(SpanNumbersRequest $request, Run $run): JsonResponse
    {
        $work = ExperimentWork::below($run, $request->named('x', 'y'));
        [$x, $y] = [$request->column('x', $work->rows), $request->column('y', $work->rows)];
        isset($work->worked->notebook->runs[$run->id]) || abort(404);
        $told = SpanNumbers::of($work->worked, $run->id, $x, $y, $request->float('from'), $request->float('to'));

        return new JsonResponse(['x' => $x, 'y' => $y, 'from' => min($request->float('from'), $request->float('to')), 'to' => max($request->float('from'), $request->float('to')),
            'lines' => array_map(static fn (int $place, WorkedLine $line): array => TriedLineShape::of(SpanNumbers::LINES[$place][0], SpanNumbers::LINES[$place][1], $line), array_keys($told), $told)]);
    }
}
