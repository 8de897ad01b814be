<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PointNumbersRequest;
use App\Http\Resources\TriedLineShape;
use App\Http\Resources\WorkedLineShape;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use Illuminate\Http\JsonResponse;
use Welkion\Core\Notebook\PointNumbers;
use Welkion\Core\Notebook\WorkedLine;

/** What one place of a run comes to, told while a point is picked or followed: nothing is kept. */
final class PointNumbersController
{
    public function __invoke(PointNumbersRequest $request, Run $run): JsonResponse
    {
        $work = ExperimentWork::below($run, $request->named('x', 'y'));
        [$x, $y] = [$request->column('x', $work->rows), $request->column('y', $work->rows)];
        isset($work->worked->notebook->runs[$run->id]) || abort(404);
        $told = PointNumbers::of($work->worked, $run->id, $x, $y, $request->float('at'), $request->from(), $request->height());

        return new JsonResponse(['x' => $x, 'y' => $y, 'at' => $request->float('at'),
            'marks' => array_merge(...array_map(static fn (WorkedLine $line): array => $line->outcome === null ? [] : WorkedLineShape::marks($line->outcome, ['x' => $x, 'y' => $y]), array_values($told))),
            'lines' => array_map(static fn (string $method, WorkedLine $line): array => TriedLineShape::of($method, [], $line), array_keys($told), $told)]);
    }
}
