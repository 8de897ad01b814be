<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Change;
use App\Models\Experiment;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Takes back changes and makes them again, each person their own, across screens and reloads.
 *
 * @phpstan-import-type TouchedRow from Change
 */
final readonly class UndoBook
{
    public function __construct(private Journal $journal)
    {
    }

    /** What undo would take back; null: nothing. */
    public function undoableWords(Experiment $experiment, int $userId): ?string
    {
        return $this->undoable($experiment, $userId)?->words;
    }

    /** What redo would make again; null: nothing. */
    public function redoableWords(Experiment $experiment, int $userId): ?string
    {
        return $this->redoable($experiment, $userId)?->words;
    }

    private function undoable(Experiment $experiment, int $userId): ?Change
    {
        return $this->first(Change::query()->where('experiment_id', $experiment->id)->where('user_id', $userId)->where('kind', Change::DO)->where('is_undone', false), 'desc');
    }

    private function redoable(Experiment $experiment, int $userId): ?Change
    {
        return $this->first(Change::query()->where('experiment_id', $experiment->id)->where('user_id', $userId)->where('is_redoable', true), 'asc');
    }

    /** @param  Builder<Change>  $changes */
    private function first(Builder $changes, string $direction): ?Change
    {
        $changes->getQuery()->orderBy('revision', $direction)->limit(1);

        return $changes->get()->first();
    }

    /** @throws Refusal If there is nothing to undo, or somebody changed the same since. */
    public function undo(Experiment $experiment, Sender $sender): Change
    {
        return $this->take($experiment, $sender, Change::UNDO, fn (): Change => $this->undoable($experiment, $sender->user->id) ?? throw Refusal::nothingToUndo());
    }

    /** @throws Refusal If there is nothing to make again, or somebody changed the same since. */
    public function redo(Experiment $experiment, Sender $sender): Change
    {
        return $this->take($experiment, $sender, Change::REDO, fn (): Change => $this->redoable($experiment, $sender->user->id) ?? throw Refusal::nothingToRedo());
    }

    /** @param  \Closure(): Change  $find */
    private function take(Experiment $experiment, Sender $sender, string $kind, \Closure $find): Change
    {
        return DB::transaction(function () use ($experiment, $sender, $kind, $find): Change {
            $done = $this->journal->begin($experiment, $sender);
            if ($done !== null) {
                return $done;
            }
            $of = $find();
            $rows = $kind === Change::UNDO ? StoredRows::reversed($of->rows) : $of->rows;
            $this->requireUntouched($of, $rows);
            StoredRows::write($rows);
            $of->update(['is_undone' => $kind === Change::UNDO, 'is_redoable' => $kind === Change::UNDO]);

            return $this->journal->store($experiment, $sender, $rows, ($kind === Change::UNDO ? 'Undone: ' : 'Again: ').$of->words, $kind, $of);
        });
    }

    /**
     * What is to be written over must be as the change left it.
     *
     * @param  list<TouchedRow>  $rows
     *
     * @throws Refusal If somebody changed it since.
     */
    private function requireUntouched(Change $of, array $rows): void
    {
        $seen = [];
        foreach ($rows as $row) {
            $place = "{$row['table']} {$row['id']}";
            $now = isset($seen[$place]) ? $row['before'] : StoredRows::now($row['table'], $row['id'], array_keys($row['before'] ?? []));
            $seen[$place] = true;
            $isSame = $row['before'] === null ? $now === null : $now !== null && array_intersect_key($now, $row['before']) == $row['before'];
            if (! $isSame) {
                throw $this->blocked($of, $row['table'], $row['id']);
            }
        }
    }

    private function blocked(Change $of, string $table, int $id): Refusal
    {
        $later = Change::query()->with('user')->where('experiment_id', $of->experiment_id)->where('revision', '>', $of->revision)->get()->sortByDesc('revision');
        foreach ($later as $change) {
            foreach ($change->rows as $row) {
                if ($row['table'] === $table && $row['id'] === $id && $change->id !== $of->id) {
                    return Refusal::changedSince($change->user->name, $change->words);
                }
            }
        }

        return Refusal::changedSince('Somebody', 'something else');
    }
}
