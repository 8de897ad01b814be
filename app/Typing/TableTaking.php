<?php

declare(strict_types=1);

namespace App\Typing;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Reading;
use App\Models\Run;
use App\Models\TableFile;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\NotebookRows;
use App\Notebook\Renaming;
use App\Notebook\RunRows;
use App\Notebook\Sender;
use Illuminate\Support\Collection;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Formats\Trials;
use Welkion\Core\Notebook\ColumnKind;

/**
 * Takes a table into the notebook: as a new run, as further rows of one, as further columns beside its rows, or each of its
 * trials as a run of its own.
 *
 * @phpstan-type Wanted array{place: int, columnId: int|null, symbol: string, name: string, unit: string, isWords: bool}
 */
final readonly class TableTaking
{
    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  list<Wanted>  $wanted  columns of the file, by their place from 0, and where each goes: into a column there is, or a new one
     * @param  Run|null  $run  that gets further rows or columns; null: a new run
     * @param  bool  $asTrials  whether columns that are trials become runs
     * @param  bool  $isBeside  whether they go beside the rows of the run
     */
    public function take(Experiment $experiment, TableFile $file, Table $table, array $wanted, ?Run $run, bool $asTrials, bool $isBeside, Sender $sender): void
    {
        $table->rowCount <= RowBook::MOST_ROWS || throw Refusal::tooManyRows(RowBook::MOST_ROWS);
        $this->journal->change($experiment, $sender, function (Draft $draft) use ($experiment, $file, $table, $wanted, $run, $asTrials, $isBeside, $sender): string {
            // As it stands now that nobody else changes it: its rows have their numbers from this.
            $run?->refresh();
            $trials = $asTrials ? Trials::in($table) : [];
            // The run comes first, so that it is what the change has made.
            $first = $run ?? TypedRunStart::add($draft, $experiment, $trials === [] ? [] : self::described($trials[0]), $sender->key);
            if ($run !== null && $trials !== []) {
                $run->rowOrder()->count() === 0 || throw Refusal::trialsBelowRows();
                $draft->update($run, self::described($trials[0]));
            }
            $columns = self::columns($draft, $experiment, $wanted);
            match (true) {
                $trials !== [] => self::fillTrials($draft, $experiment, $first, $table, $wanted, $columns, $trials),
                $isBeside => self::fillBeside($draft, $first, $table, $wanted, $columns),
                default => self::fill($draft, $first, $table, $wanted, $columns, []),
            };
            TypedRunStart::requireFigure($draft, $experiment, $experiment->columns()->get());
            $file->update(['hints' => TableFile::told($table->hints), 'taken_at' => now()]);

            $what = match (true) {
                $trials !== [] => count($trials).' trials',
                $isBeside => count($wanted) === 1 ? 'a column' : count($wanted).' columns',
                default => "{$table->rowCount} rows",
            };

            return "Took {$what} from {$file->name}";
        });
    }

    /**
     * @param  list<Wanted>  $wanted
     * @param  array<int, Column>  $columns  by place in the file
     * @param  list<Trials>  $trials
     */
    private static function fillTrials(Draft $draft, Experiment $experiment, Run $first, Table $table, array $wanted, array $columns, array $trials): void
    {
        $places = array_map(static fn (Trials $t): int => (int) array_search($t->column, $table->columns, true), $trials);
        // All trials go into the column of the first of them.
        $to = $columns[$places[0]] ?? throw Refusal::columnGone();
        foreach ($trials as $i => $trial) {
            $run = $i === 0 ? $first : TypedRunStart::add($draft, $experiment, self::described($trial), null);
            self::fill($draft, $run, $table, array_values(array_filter($wanted, static fn (array $w): bool => ! in_array($w['place'], $places, true))), $columns, [[$trial->column, $to]]);
        }
    }

    /**
     * @param  list<Wanted>  $wanted
     * @param  array<int, Column>  $columns  by place in the file
     * @param  list<array{TableColumn, Column}>  $more
     */
    private static function fill(Draft $draft, Run $run, Table $table, array $wanted, array $columns, array $more): void
    {
        $run->isTyped() || throw Refusal::rowsAreRecorded();
        [$firstRow] = RowBook::made($draft, $run, $table->rowCount, $run->rowOrder()->count());
        foreach ([...array_map(static fn (array $w): array => [$table->columns[$w['place']], $columns[$w['place']]], $wanted), ...$more] as [$from, $to]) {
            (new TakenColumn($from, $to))->into($run, $firstRow);
        }
    }

    /**
     * @param  list<Wanted>  $wanted
     * @param  array<int, Column>  $columns  by place in the file
     */
    private static function fillBeside(Draft $draft, Run $run, Table $table, array $wanted, array $columns): void
    {
        $first = $run->isTyped() ? $run->rowOrder()->rows(0, 1) : array_map(static fn (Reading $r): int => $r->row, array_slice(RunRows::of($run, $draft->experiment->columns()->get())->readings, 0, 1));
        [$rows] = CellBook::rows($draft, $run, $first[0] ?? null, $table->rowCount);
        foreach ($wanted as $one) {
            $column = $columns[$one['place']];
            $taken = new TakenColumn($table->columns[$one['place']], $column);
            CellBook::beside($draft, $run, $column, $rows, $taken->cells($table->rowCount), $taken->decimals(), $one['columnId'] === null);
        }
    }

    /**
     * @param  list<Wanted>  $wanted
     * @return array<int, Column> by place in the file
     */
    private static function columns(Draft $draft, Experiment $experiment, array $wanted): array
    {
        $rows = NotebookRows::of($experiment);
        $columns = [];
        foreach ($wanted as $one) {
            if ($one['columnId'] === null) {
                Renaming::requireFree($rows, $one['symbol']);
                $made = $draft->create(Column::class, [
                    'experiment_id' => $experiment->id, 'symbol' => $one['symbol'], 'name' => $one['name'] === '' ? $one['symbol'] : $one['name'], 'unit' => $one['unit'],
                    'kind' => ColumnKind::Typed, 'position' => 1 + (int) $rows->columns->max('position') + count($columns), 'is_words' => $one['isWords'],
                ]);
                $columns[$one['place']] = $made;
            } else {
                $column = $rows->columns->find($one['columnId']) ?? throw Refusal::columnGone();
                $column->kind !== ColumnKind::Derived || throw Refusal::notTyped($column->symbol, $column->formula);
                // One that nothing was ever typed in is called as the file calls it.
                if ($column->kind === ColumnKind::Typed && ! $column->isTypedAnywhere()) {
                    Renaming::rename($draft, $rows, $column, $one['symbol']);
                    $draft->update($column, ['name' => $one['name'] === '' ? $one['symbol'] : $one['name'], 'unit' => $one['unit'], 'is_words' => $one['isWords']]);
                    $rows = NotebookRows::of($experiment);
                }
                $columns[$one['place']] = $column;
            }
        }
        $ids = (new Collection($columns))->map(static fn (Column $c): int => $c->id);
        $ids->unique()->count() === $ids->count() || throw Refusal::columnTwice();

        return $columns;
    }

    /** @return array{condition?: string, trial: int} */
    private static function described(Trials $trial): array
    {
        return ['trial' => $trial->trial] + ($trial->condition === '' ? [] : ['condition' => mb_substr($trial->condition, 0, 120)]);
    }
}
