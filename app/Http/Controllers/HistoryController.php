<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\ChangeAnswer;
use App\Http\Resources\NotebookResource;
use App\Http\Resources\WorkedLineShape;
use App\Models\Change;
use App\Models\Experiment;
use App\Notebook\ExperimentWork;
use App\Notebook\HistoryBook;
use App\Notebook\NotebookRows;
use App\Notebook\Sender;
use App\Notebook\UndoBook;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Welkion\Core\Notebook\WorkedLine;

/** What was done, by whom, and when; and the way back. */
final class HistoryController
{
    private const MOST = 300;

    public function index(Experiment $experiment): JsonResponse
    {
        $changes = Change::query()->with('user')->where('experiment_id', $experiment->id)->where('revision', '>', $experiment->revision - self::MOST)->get();

        return new JsonResponse($changes->sortByDesc('revision')->values()->map(static fn (Change $c): array => [
            'revision' => $c->revision, 'words' => $c->words, 'by' => $c->user->name, 'at' => $c->created_at->toIso8601ZuluString('millisecond'),
            'kind' => $c->kind, 'isUndone' => $c->is_undone,
        ])->all());
    }

    /** The notebook as it was then. */
    public function show(Request $request, Experiment $experiment, int $revision, HistoryBook $book): JsonResponse
    {
        self::requireKnown($experiment, $revision);

        return $book->asItWas($experiment, $revision, static function () use ($request, $experiment): JsonResponse {
            $work = ExperimentWork::of(NotebookRows::of($experiment));

            return new JsonResponse([
                'notebook' => (new NotebookResource($experiment))->toArray($request),
                'worked' => array_map(static fn (WorkedLine $l): array => WorkedLineShape::of($l, $work->worked), $work->lines(isKept: false)),
            ]);
        });
    }

    public function goBack(Experiment $experiment, int $revision, HistoryBook $book, Sender $sender): JsonResponse
    {
        self::requireKnown($experiment, $revision);
        $book->goBack($experiment, $sender, $revision);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function undo(Experiment $experiment, UndoBook $book, Sender $sender): JsonResponse
    {
        $book->undo($experiment, $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    public function redo(Experiment $experiment, UndoBook $book, Sender $sender): JsonResponse
    {
        $book->redo($experiment, $sender);

        return ChangeAnswer::to($experiment, $sender);
    }

    private static function requireKnown(Experiment $experiment, int $revision): void
    {
        $revision <= $experiment->revision || abort(404);
    }
}
