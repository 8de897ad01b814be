<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Live\ChangeNotice;
use App\Models\Change;
use App\Models\Experiment;
use App\Models\Run;
use Illuminate\Support\Facades\DB;

/**
 * The one way to change a notebook. Each change is one row with what was before and after, written in the same transaction;
 * so each can be undone, and none is made twice.
 *
 * @phpstan-import-type TouchedRow from Change
 */
final readonly class Journal
{
    private const LONGEST_WORDS = 250;

    public function __construct(private ChangeNotice $notice, private RunListener $recorder)
    {
    }

    /**
     * @param  \Closure(Draft): string  $make  makes the change, and says in words what it was
     * @return Change|null null if nothing has changed by it
     */
    public function change(Experiment $experiment, Sender $sender, \Closure $make): ?Change
    {
        return DB::transaction(function () use ($experiment, $sender, $make): ?Change {
            $done = $this->begin($experiment, $sender);
            if ($done !== null) {
                return $done;
            }
            $draft = new Draft($experiment, $sender);
            $words = $make($draft);
            if ($draft->rows() === []) {
                return null;
            }
            // What was undone before is out of reach of redo now.
            Change::query()->where('experiment_id', $experiment->id)->where('user_id', $sender->user->id)
                ->where('is_redoable', true)->update(['is_redoable' => false]);

            return $this->store($experiment, $sender, $draft->rows(), $words, Change::DO, null);
        });
    }

    /**
     * Something happened by itself: it is in the history, and nobody's to undo. The recorder knows it already.
     *
     * @param  \Closure(Draft): string  $make
     */
    public function note(Experiment $experiment, Sender $sender, \Closure $make): void
    {
        DB::transaction(function () use ($experiment, $sender, $make): void {
            if ($this->begin($experiment, $sender) === null) {
                $draft = new Draft($experiment, $sender);
                $words = $make($draft);
                $draft->rows() === [] || $this->store($experiment, $sender, $draft->rows(), $words, Change::NOTED, null);
            }
        });
    }

    /**
     * Changes that arrive together queue here, so that neither writes over the other.
     *
     * @return Change|null the change this request has made already
     */
    public function begin(Experiment $experiment, Sender $sender): ?Change
    {
        $locked = Experiment::query()->whereKey($experiment->id);
        $locked->lockForUpdate();
        $now = $locked->firstOrFail();
        $experiment->unsetRelations()->setRawAttributes($now->getAttributes(), true);

        return Change::query()->where('experiment_id', $experiment->id)->where('user_id', $sender->user->id)->where('request_key', $sender->key)->get()->first();
    }

    /** @param  list<TouchedRow>  $rows  that were written */
    public function store(Experiment $experiment, Sender $sender, array $rows, string $words, string $kind, ?Change $of): Change
    {
        Touched::by($rows)->markRuns();
        $experiment->update(['revision' => $experiment->revision + 1]);
        $change = Change::query()->create([
            'experiment_id' => $experiment->id, 'revision' => $experiment->revision, 'user_id' => $sender->user->id, 'request_key' => $sender->key,
            'screen' => $sender->screen, 'kind' => $kind, 'of_id' => $of?->id, 'words' => mb_substr($words, 0, self::LONGEST_WORDS), 'rows' => $rows,
        ]);
        $this->notice->experimentChanged($experiment->id, $experiment->revision, $sender->screen);
        $kind === Change::NOTED || $this->tellRecorder($rows);

        return $change;
    }

    /**
     * However a run came to be open, or is so no more, by a button or by undo: the recorder keeps what it must.
     *
     * @param  list<TouchedRow>  $rows
     */
    private function tellRecorder(array $rows): void
    {
        $runs = array_filter($rows, static fn (array $row): bool => $row['table'] === (new Run)->getTable()
            && array_intersect_key($row['after'] ?? [], ['state' => 0, 'thrown_away_at' => 0, 'bench_id' => 0, 'beside_id' => 0, 'plan' => 0]) !== []);
        $ids = array_values(array_unique(array_map(static fn (array $row): int => $row['id'], $runs)));
        foreach ($ids === [] ? [] : Run::query()->with('bench', 'beside')->whereKey($ids)->get() as $run) {
            // The bench that begins it hears of it last: then the other one listens already.
            array_map($this->recorder->reload(...), array_reverse($run->benches()));
        }
    }
}
