<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FormulaRequest;
use App\Models\Experiment;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use Illuminate\Http\JsonResponse;
use Welkion\Core\Notebook\FormulaCheck;

/** Tells while a formula is typed what it reads as, which unit comes out, or what is wrong with it and where. */
final class FormulaController
{
    public function __invoke(FormulaRequest $request, Experiment $experiment): JsonResponse
    {
        $work = ExperimentWork::of(NotebookRows::of($experiment));
        $check = FormulaCheck::of($work->worked, $request->string('formula')->toString(), $request->unit(), $request->filled('of') ? $request->string('of')->toString() : null);

        return new JsonResponse([
            'problem' => $check->problem, 'position' => $check->position, 'inKelvin' => $check->inKelvin,
            'reads' => $check->reads?->toArray(), 'unit' => $check->unit?->symbol, 'notes' => $check->notes,
        ]);
    }
}
