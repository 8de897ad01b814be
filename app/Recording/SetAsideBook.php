<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\Run;
use App\Models\SetAside;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Sender;

/** Sets rows of a run aside with a reason, and takes them back: ranges of rows, not a flag a row. */
final readonly class SetAsideBook
{
    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  list<int>  $rows  as the rows of the run are counted
     * @param  string|null  $reason  null: they are used again
     */
    public function set(Run $run, array $rows, ?string $reason, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, static function (Draft $draft) use ($run, $rows, $reason): string {
            foreach (SetAside::query()->where('run_id', $run->id)->where('column_id', null)->get()->sortBy('first_row') as $range) {
                $kept = array_values(array_diff(range($range->first_row, $range->last_row), $rows));
                if (count($kept) <= $range->last_row - $range->first_row) {
                    $draft->delete($range);
                    self::add($draft, $run, $kept, $range->reason);
                }
            }
            $reason === null || self::add($draft, $run, $rows, $reason);
            $one = $run->isTimed() || $run->isTyped() ? 'row' : 'reading';
            $count = count($rows) === 1 ? "a {$one}" : count($rows)." {$one}s";

            return $reason === null ? "Used {$count} of {$run->title()} again" : "Set {$count} of {$run->title()} aside: {$reason}";
        });
    }

    /** @param  list<int>  $rows */
    private static function add(Draft $draft, Run $run, array $rows, string $reason): void
    {
        sort($rows);
        $first = null;
        foreach ($rows as $i => $row) {
            $first ??= $row;
            if (($rows[$i + 1] ?? null) !== $row + 1) {
                $draft->create(SetAside::class, ['run_id' => $run->id, 'column_id' => null, 'first_row' => $first, 'last_row' => $row, 'reason' => $reason]);
                $first = null;
            }
        }
    }
}
