<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\NearRowsRequest;
use App\Http\Resources\RunRowsShape;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Notebook\Stretch;
use Welkion\Core\Series\Thinning;

/** The rows of a long run where somebody looks at it closely; of a whole one only some are told. */
final class NearRowsController
{
    public function __invoke(NearRowsRequest $request, Run $run): JsonResponse
    {
        $run->isTyped() || $run->isTimed() || throw ValidationException::withMessages(['x' => 'All readings of this run are known already.']);
        $work = ExperimentWork::below($run, $request->named('x', 'columns'));
        $symbols = $request->symbols($work->rows);
        $known = $work->rows->runs->find($run->id) ?? abort(404);
        [$from, $to] = [min($request->float('from'), $request->float('to')), max($request->float('from'), $request->float('to'))];
        $within = Stretch::places($work->worked, $run->id, $symbols[0], $from, $to);
        $drawn = array_map(static fn (int $i): int => $within[$i], Thinning::places(count($within), RunRowsShape::MOST_SHOWN));

        return new JsonResponse(['from' => $from, 'to' => $to, 'isThinned' => count($drawn) < count($within), 'rows' => RunRowsShape::near($known, $work, $symbols, $drawn)]);
    }
}
