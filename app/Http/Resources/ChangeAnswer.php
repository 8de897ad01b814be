<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Change;
use App\Models\Experiment;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Notebook\Sender;
use App\Notebook\Stages;
use App\Notebook\Touched;
use App\Notebook\UndoBook;
use Illuminate\Http\JsonResponse;
use Welkion\Core\Notebook\WorkedLine;

/** How every change of a notebook is answered: what has changed, and the lines that are others now. */
final class ChangeAnswer
{
    /** Things whose changes can finish a stage, or open one again. */
    private const MATTER_FOR_STAGES = ['experiments', 'entries', 'runs'];

    /** @param  string|null  $said  what is to be said of what was typed */
    public static function to(Experiment $experiment, Sender $sender, int $status = 200, ?string $said = null): JsonResponse
    {
        $experiment->unsetRelations()->refresh();
        $change = Change::query()->where('experiment_id', $experiment->id)->where('user_id', $sender->user->id)->where('request_key', $sender->key)->get()->first();
        $touched = Touched::by($change->rows ?? []);
        $work = ExperimentWork::of(NotebookRows::of($experiment));
        $undo = app(UndoBook::class);
        $isStaged = array_intersect(self::MATTER_FOR_STAGES, array_keys($touched->ids)) !== [];
        $isStaged && $experiment->loadMissing(NotebookResource::WITH);

        return new JsonResponse([
            'revision' => $experiment->revision,
            'made' => self::made($change),
            'changed' => self::changed($experiment, $touched, $work->rows, new NotebookShapes($work->rows, $work->worked->notebook)),
            'worked' => array_map(static fn (WorkedLine $l): array => WorkedLineShape::of($l, $work->worked), $work->lines($work->restingOn($touched))),
            'rows' => self::rows($touched, $work),
            'changesCells' => $work->changesCells($touched),
            'stages' => $isStaged ? Stages::of($experiment, $work->rows->runs, $work->rows->entries) : null,
            'undo' => $undo->undoableWords($experiment, $sender->user->id),
            'redo' => $undo->redoableWords($experiment, $sender->user->id),
            'said' => $said,
        ], $status);
    }

    private static function made(?Change $change): ?int
    {
        foreach ($change->rows ?? [] as $row) {
            if ($row['before'] === null || (in_array($row['table'], ['runs', 'readings'], true) && array_key_exists('deleted_at', $row['before']) | array_key_exists('thrown_away_at', $row['before']))) {
                return $row['id'];
            }
        }

        return null;
    }

    /** @return list<array{kind: string, id: int, value: array<string, mixed>|null}> null for what is not there any more */
    private static function changed(Experiment $experiment, Touched $touched, NotebookRows $rows, NotebookShapes $shapes): array
    {
        $changed = [];
        $tell = static function (string $kind, array $ids, \Closure $value) use (&$changed): void {
            foreach (array_unique($ids) as $id) {
                $changed[] = ['kind' => $kind, 'id' => $id, 'value' => $value($id)];
            }
        };
        $tell('experiment', $touched->of('experiments'), static fn (): array => $shapes->about($experiment->loadMissing('bench.probes', 'beside.probes')));
        $entries = [...$touched->of('entries'), ...$rows->entryValues->whereIn('id', $touched->of('entry_values'))->pluck('entry_id')->all()];
        // A value that is gone is no more to be found; all entries are told then.
        $isGone = count($touched->of('entry_values')) > $rows->entryValues->whereIn('id', $touched->of('entry_values'))->count();
        $tell('entry', $isGone ? [...$entries, ...$rows->entries->modelKeys()] : $entries, static fn (int $id): ?array => ($e = $rows->entries->find($id)) === null ? null : $shapes->entry($e));
        $tell('column', $touched->of('columns'), static fn (int $id): ?array => ($c = $rows->columns->find($id)) === null ? null : $shapes->column($c));
        $tell('span', $touched->of('spans'), static fn (int $id): ?array => ($s = $rows->spans->find($id)) === null ? null : $shapes->span($s));
        $tell('figure', $touched->of('figures'), static fn (int $id): ?array => ($f = $rows->figures->find($id)) === null ? null : $shapes->figure($f));
        $inputs = $rows->lineInputs->whereIn('id', $touched->of('line_inputs'))->pluck('line_id')->all();
        $tell('line', [...$touched->of('lines'), ...$inputs], static fn (int $id): ?array => ($l = $rows->lines->find($id)) === null ? null : $shapes->line($l));
        $tell('run', [...$touched->of('runs'), ...$touched->dataOf], static fn (int $id): ?array => ($r = $rows->runs->find($id)) === null ? null : $shapes->run($r));

        return $changed;
    }

    /** @return list<array<string, mixed>> of the runs whose rows, or what is planned of them, are others */
    private static function rows(Touched $touched, ExperimentWork $work): array
    {
        $rows = [];
        foreach (array_unique([...$touched->dataOf, ...$touched->of('runs')]) as $id) {
            $run = $work->rows->runs->find($id);
            if ($run instanceof Run) {
                $rows[] = RunRowsShape::of(self::knowing($run, $work->rows), $work, only: self::cellsOf($run, $touched, $work));
            }
        }

        return $rows;
    }

    /** @return list<string>|null symbols of the columns whose cells may be others; null where all may be */
    private static function cellsOf(Run $run, Touched $touched, ExperimentWork $work): ?array
    {
        $typed = $run->isTyped() ? $touched->cellsAlone() : null;
        if ($typed === null) {
            return null;
        }
        $symbols = $work->rows->columns->whereIn('id', $run->typedColumns->whereIn('id', $typed)->pluck('column_id')->all())->pluck('symbol')->all();
        $uncertain = $work->rows->columns->whereIn('uncertainty_of', $symbols)->pluck('symbol')->all();
        $resting = array_map($work->worked->graph->restingOn(...), [...$symbols, ...$uncertain]);

        return array_values(array_unique([...$symbols, ...$uncertain, ...array_merge([], ...$resting)]));
    }

    /** A run that finds the columns of its experiment without asking. */
    private static function knowing(Run $run, NotebookRows $rows): Run
    {
        $rows->experiment->setRelation('columns', $rows->columns);

        return $run->setRelation('experiment', $rows->experiment);
    }
}
