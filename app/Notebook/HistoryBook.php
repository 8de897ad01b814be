<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Change;
use App\Models\Experiment;
use Illuminate\Support\Facades\DB;

/**
 * A notebook as it was: to look at, and to go back to.
 *
 * @phpstan-import-type TouchedRow from Change
 */
final readonly class HistoryBook
{
    public function __construct(private Journal $journal)
    {
    }

    /**
     * Shows it as it was after a revision. It is gone back to inside of a transaction that is never finished, so that what is
     * shown is exactly what going back would give.
     *
     * @template T
     *
     * @param  \Closure(): T  $look
     * @return T
     */
    public function asItWas(Experiment $experiment, int $revision, \Closure $look): mixed
    {
        DB::beginTransaction();
        try {
            $rows = $this->rowsBack($experiment, $revision);
            StoredRows::write($rows);
            Touched::by($rows)->markRuns();
            $experiment->refresh();

            return $look();
        } finally {
            DB::rollBack();
            $experiment->refresh();
        }
    }

    /** Going back is a change like any other. */
    public function goBack(Experiment $experiment, Sender $sender, int $revision): ?Change
    {
        return $this->journal->change($experiment, $sender, function (Draft $draft) use ($experiment, $revision): string {
            $rows = $this->rowsBack($experiment, $revision);
            StoredRows::write($rows);
            $draft->written($rows);

            return $revision === 0 ? 'Went back to the beginning' : "Went back to change {$revision}";
        });
    }

    /** @return list<TouchedRow> from what is stored to what was after that revision */
    private function rowsBack(Experiment $experiment, int $revision): array
    {
        $targets = [];
        $order = [];
        $later = Change::query()->where('experiment_id', $experiment->id)->where('revision', '>', $revision)->get()->sortByDesc('revision');
        foreach ($later as $change) {
            foreach (StoredRows::reversed($change->rows) as $row) {
                $place = "{$row['table']} {$row['id']}";
                $order[$place] ??= [$row['table'], $row['id']];
                $targets[$place] = $row['after'] === null ? null : [...($targets[$place] ?? []), ...$row['after']];
            }
        }
        $rows = [];
        foreach ($targets as $place => $target) {
            [$table, $id] = $order[$place];
            $now = StoredRows::now($table, $id, array_keys($target ?? []));
            $before = $now === null || $target === null ? $now : array_intersect_key($now, $target);
            if ($before != $target) {
                $rows[] = ['table' => $table, 'id' => $id, 'before' => $before, 'after' => $target];
            }
        }

        return $rows;
    }
}
