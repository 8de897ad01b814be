<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CopyRequest;
use App\Http\Requests\ExperimentRequest;
use App\Http\Requests\SearchRequest;
use App\Http\Resources\ChangeAnswer;
use App\Http\Resources\ExperimentListResource;
use App\Http\Resources\NotebookResource;
use App\Http\Resources\WorkedLineShape;
use App\Models\Experiment;
use App\Models\User;
use App\Notebook\ExperimentBook;
use App\Notebook\ExperimentStart;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Notebook\ProtocolLibrary;
use App\Notebook\Sender;
use App\Recording\RunBook;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Notebook\WorkedLine;

final class ExperimentController
{
    public function __construct(private readonly ExperimentBook $book)
    {
    }

    public function index(SearchRequest $request, #[CurrentUser] User $user): AnonymousResourceCollection
    {
        $sought = addcslashes($request->sought(), '%_\\');
        $isThrownAway = $request->boolean('thrownAway');

        return ExperimentListResource::collection($user->experiments()->with(ExperimentListResource::WITH)
            ->where('thrown_away_at', $isThrownAway ? '!=' : '=', null)
            ->when($sought !== '', static fn ($query) => $query->where(static fn ($either) => $either->where('title', 'like', "%{$sought}%")
                // What is inside of JSON is compared letter by letter.
                ->orWhereRaw("lower(json_value(plan, '$.title')) like ?", ['%'.mb_strtolower($sought).'%'])))
            ->latest('updated_at')->latest('id')->get());
    }

    public function store(ExperimentRequest $request, #[CurrentUser] User $user, Sender $sender, ProtocolLibrary $library, ExperimentStart $start): JsonResponse
    {
        $protocol = $library->find($request->string('protocol')->toString());
        $protocol !== null && $user->can('use', $protocol)
            || throw ValidationException::withMessages(['protocol' => 'This protocol does not exist any more. Choose another.']);

        return (new NotebookResource($start->begin($user, $sender->key, $request->string('title')->trim()->toString(), $protocol->protocol, $request->bench())))->response()->setStatusCode(201);
    }

    public function show(Experiment $experiment): NotebookResource
    {
        return new NotebookResource($experiment);
    }

    public function update(ExperimentRequest $request, Experiment $experiment, Sender $sender, RunBook $runs): JsonResponse
    {
        $plan = $request->plan($experiment);
        $kind = $request->runKind();
        $board = $request->board();
        match (true) {
            $plan !== null => $runs->changeNextPlan($experiment, $plan, $sender),
            $board !== null => $this->book->changeBoard($experiment, $board, $sender),
            $kind !== null => $runs->changeKind($experiment, $kind, $sender),
            default => $this->book->change($experiment, $request->changes(), $sender),
        };

        return ChangeAnswer::to($experiment, $sender);
    }

    /** Out of the way; "bring back" is its undo. */
    public function destroy(Experiment $experiment): Response
    {
        $this->book->throwAway($experiment);

        return new Response(status: 204);
    }

    public function bringBack(Experiment $experiment): NotebookResource
    {
        $this->book->bringBack($experiment);

        return new NotebookResource($experiment->refresh());
    }

    public function copy(CopyRequest $request, Experiment $experiment, Sender $sender): JsonResponse
    {
        return (new NotebookResource($this->book->copy($experiment, $sender->key, $request->boolean('withRuns'))))->response()->setStatusCode(201);
    }

    /** All lines, worked out. */
    public function worked(Experiment $experiment): JsonResponse
    {
        $work = ExperimentWork::of(NotebookRows::of($experiment));

        return new JsonResponse([
            'revision' => $experiment->revision,
            'worked' => array_map(static fn (WorkedLine $l): array => WorkedLineShape::of($l, $work->worked), $work->lines()),
        ]);
    }
}
