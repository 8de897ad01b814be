<?php

declare(strict_types=1);

namespace App\Typing;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Run;
use App\Models\TypedColumn;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\RunRows;
use App\Notebook\Sender;
use Welkion\Core\Formats\CellText;
use Welkion\Core\Units\Unit;

/** Types, pastes and clears cells: a block of them at once is one change. */
final readonly class CellBook
{
    /** Cells of rows that are there already are kept in the journal, each with what stood in it. */
    private const MOST_TYPED_OVER = 100_000;

    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  int|null  $row  number of the row the block begins in; null: below the last one
     * @param  list<int>  $columns  of the notebook, beside each other
     * @param  list<list<string|null>>  $texts  as typed, a list for each row; null or blank clears the cell
     *
     * @throws Refusal If a column is not typed in this run, the row is gone, or there are too many cells.
     */
    public function put(Run $run, ?int $row, array $columns, array $texts, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, static function (Draft $draft) use ($run, $row, $columns, $texts): string {
            $run->unsetRelations()->refresh();
            $of = array_map(static fn (int $id): Column => self::requireTyped($run, $draft->experiment->columns->find($id)), $columns);
            [$rows, $isNew] = self::rows($draft, $run, $row, count($texts));
            $isNew ? null : count($texts) * count($columns) <= self::MOST_TYPED_OVER || throw Refusal::tooManyCells(self::MOST_TYPED_OVER);
            foreach ($of as $i => $column) {
                self::fill($draft, $run, $column, array_combine($rows, array_map(static fn (array $r): ?string => $r[$i] ?? null, $texts)));
            }

            return self::words($run, $of, $texts, $rows);
        });
    }

    /** @param  array<int, string|null>  $texts  by row number */
    private static function fill(Draft $draft, Run $run, Column $column, array $texts): void
    {
        $unit = Unit::ofHeader($column->unit);
        $cells = [];
        $decimals = 0;
        foreach ($texts as $row => $text) {
            $text = trim((string) $text);
            $cells[$row] = $column->is_words ? ($text === '' ? null : $text) : CellText::read($text, $unit);
            $decimals = is_float($cells[$row]) ? max($decimals, min(9, CellText::decimals($text))) : $decimals;
        }
        self::write($draft, $run, self::typed($run, $column), $cells, $decimals);
    }

    /**
     * @param  Draft|null  $draft  null: nobody needs to know what stood there
     * @param  array<int, float|string|null>  $cells  by row number
     * @param  int  $decimals  with which they were written
     */
    private static function write(?Draft $draft, Run $run, TypedColumn $typed, array $cells, int $decimals): void
    {
        $before = [];
        foreach ($cells as $row => $cell) {
            $before[$row] = $typed->cell($row);
        }
        $cells = array_filter($cells, static fn (float|string|null $cell, int $row): bool => $cell !== $before[$row], ARRAY_FILTER_USE_BOTH);
        if ($cells === []) {
            return;
        }
        $typed->decimals = max($typed->decimals, $decimals);
        // What is in rows that are new goes and comes back with them.
        $old = $run->isTyped() ? array_filter($cells, static fn (int $row): bool => $row <= $run->rows_made, ARRAY_FILTER_USE_KEY) : $cells;
        $typed->put($cells);
        $typed->save();
        $old === [] || $draft?->typed($typed, array_intersect_key($before, $old), $old);
    }

    /**
     * A column of a file beside the rows of a run, from its first one on.
     *
     * @param  list<int>  $rows
     * @param  list<float|string|null>  $cells  of these rows
     * @param  bool  $isMade  whether the column was made by this change: its cells come and go with it
     */
    public static function beside(Draft $draft, Run $run, Column $column, array $rows, array $cells, int $decimals, bool $isMade): void
    {
        $typed = self::typed($run, self::requireTyped($run, $column));
        foreach ($isMade ? [] : $rows as $row) {
            $typed->cell($row) === null || throw Refusal::columnHasCells($column->symbol, $run->title());
        }
        $isMade || count($cells) <= self::MOST_TYPED_OVER || throw Refusal::tooManyCells(self::MOST_TYPED_OVER);
        self::write($isMade ? null : $draft, $run, $typed, array_combine($rows, $cells), $decimals);
    }

    /**
     * Rows from one on: those that stand there, and new ones below.
     *
     * @param  int|null  $row  null: only new ones
     * @return array{list<int>, bool} and whether all are new
     */
    public static function rows(Draft $draft, Run $run, ?int $row, int $count): array
    {
        if (! $run->isTyped()) {
            $readings = array_map(static fn ($r): int => $r->row, RunRows::of($run, $draft->experiment->columns)->readings);
            $place = $row === null ? false : array_search($row, $readings, true);
            $rows = $place === false ? throw Refusal::rowGone() : array_slice($readings, $place, $count);

            return count($rows) < $count ? throw Refusal::notSoManyReadings(count($rows)) : [$rows, false];
        }
        $order = $run->rowOrder();
        $place = $row === null ? $order->count() : $order->placeOf($row) ?? throw Refusal::rowGone();
        $rows = $order->rows($place, $count);
        $isNew = $rows === [];

        return [[...$rows, ...RowBook::made($draft, $run, $count - count($rows), $order->count())], $isNew];
    }

    private static function typed(Run $run, Column $column): TypedColumn
    {
        $key = ['run_id' => $run->id, 'column_id' => $column->id, 'edition' => $column->edition];

        // Its experiment is locked.
        return TypedColumn::query()->where($key)->get()->first()
            ?? TypedColumn::query()->create($key + ['numbers' => '', 'texts' => [], 'decimals' => 0]);
    }

    private static function requireTyped(Run $run, ?Column $column): Column
    {
        return $column === null ? throw Refusal::columnGone() : ($run->isTypedIn($column) ? $column : throw Refusal::notTyped($column->symbol, $column->formula));
    }

    /**
     * @param  list<Column>  $columns
     * @param  list<list<string|null>>  $texts
     * @param  list<int>  $rows
     */
    private static function words(Run $run, array $columns, array $texts, array $rows): string
    {
        $symbols = implode(', ', array_map(static fn (Column $c): string => $c->symbol, $columns));
        $filled = count(array_filter(array_merge([], ...$texts), static fn (?string $t): bool => trim((string) $t) !== ''));
        $cells = count($texts) * count($columns);
        if ($cells === 1) {
            return ($filled === 0 ? "Cleared {$symbols}" : "Typed {$symbols}: ".trim((string) $texts[0][0]))." in {$run->title()}";
        }

        return ($filled === 0 ? "Cleared {$cells} cells" : 'Filled '.count($rows)." rows of {$symbols}")." in {$run->title()}";
    }
}
