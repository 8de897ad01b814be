<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Run;
use Welkion\Core\Notebook\Doubts;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Notebook\WorkedNotebook;

/** A notebook with its lines worked out, what is kept taken from what is kept. */
final readonly class ExperimentWork
{
    private function __construct(public NotebookRows $rows, public WorkedNotebook $worked, private WorkedValues $values)
    {
    }

    public static function of(NotebookRows $rows): self
    {
        $values = new WorkedValues($rows->experiment->id);

        return new self($rows, new WorkedNotebook(NotebookOf::rows($rows), $values), $values);
    }

    /**
     * Of one run, for what is asked of a few of its columns.
     *
     * @param  list<string>  $symbols
     */
    public static function below(Run $run, array $symbols): self
    {
        return self::of(NotebookRows::below($run, $symbols));
    }

    /**
     * @param  list<array{string, int|null}>|null  $nodes  symbol and run; null: all
     * @param  bool  $isKept  whether what is worked out is written down
     * @return list<WorkedLine>
     */
    public function lines(?array $nodes = null, bool $isKept = true): array
    {
        $nodes ??= $this->worked->nodes();
        $this->values->prefetch(array_values(array_unique(array_map(fn (array $n): string => $this->worked->keyOfLine($n[0], $n[1]), $nodes))));
        $lines = array_map(fn (array $n): WorkedLine => $this->worked->line($n[0], $n[1]), $nodes);
        if ($isKept) {
            $this->values->flush();
        }

        return $lines;
    }

    /**
     * The lines that hang on what was touched: those of the same symbols and all that rest on them, those that use rows of
     * the runs, and those in which a result may have been typed.
     *
     * @return list<array{string, int|null}>
     */
    public function restingOn(Touched $touched): array
    {
        $hanging = $this->hangingOn($touched);
        $ofRows = [];
        foreach ($touched->dataOf === [] && $touched->of('runs') === [] ? [] : $this->rows->columns as $column) {
            $ofRows += array_fill_keys($this->worked->graph->restingOn($column->symbol), true);
        }
        // What works over the runs knows them by more than their rows: by what is typed for each, and by which of them count.
        foreach ($touched->of('runs') === [] ? [] : $this->worked->notebook->lines as $line) {
            if ($line->onlyRun !== null || ! $line->isPerRun && array_filter($line->uses, $this->worked->notebook->isPerRun(...)) !== []) {
                $ofRows += array_fill_keys([$line->symbol, ...$this->worked->graph->restingOn($line->symbol)], true);
            }
        }
        $runs = [...$touched->dataOf, ...$touched->of('runs')];
        $isAnyUnknown = $this->isAnyGone($touched);

        $isOther = static fn (array $n): bool => $isAnyUnknown || isset($hanging[$n[0]]) || (isset($ofRows[$n[0]]) && ($n[1] === null || in_array($n[1], $runs, true)));
        $nodes = $this->worked->nodes();
        $doubts = new Doubts($this->worked);
        $lines = $this->worked->notebook->lines;

        return array_filter($nodes, $isOther) === [] ? [] : array_values(array_filter($nodes, static fn (array $n): bool => $isOther($n) || $doubts->watchesOthers($lines[$n[0]], $n[1])));
    }

    /** Whether cells of the rows may be others, though nothing was recorded: a column or what a formula of one uses was touched. */
    public function changesCells(Touched $touched): bool
    {
        return $this->isAnyGone($touched) || array_intersect_key($this->hangingOn($touched), $this->worked->notebook->columns) !== [];
    }

    /** Something is not there any more, and what used it is not known by that. */
    private function isAnyGone(Touched $touched): bool
    {
        return array_diff($touched->of('lines'), $this->rows->lines->modelKeys()) !== [] || array_diff($touched->of('columns'), $this->rows->columns->modelKeys()) !== []
            || array_diff($touched->of('entries'), $this->rows->entries->modelKeys()) !== [] || $touched->of('entry_values') !== [];
    }

    /** @return array<string, true> columns, entries and lines that were touched, and all that rest on them */
    private function hangingOn(Touched $touched): array
    {
        $symbols = [];
        foreach (['entries' => $this->rows->entries, 'columns' => $this->rows->columns, 'lines' => $this->rows->lines] as $table => $things) {
            foreach ($things as $thing) {
                if (in_array($thing->id, $touched->of($table), true)) {
                    $symbols[] = $thing->symbol;
                }
            }
        }
        foreach ($this->rows->lines as $line) {
            if ($line->span_id !== null && in_array($line->span_id, $touched->of('spans'), true)) {
                $symbols[] = $line->symbol;
            }
        }
        foreach ($this->rows->entryValues as $value) {
            $entry = in_array($value->id, $touched->of('entry_values'), true) ? $this->rows->entries->find($value->entry_id) : null;
            $symbols = $entry === null ? $symbols : [...$symbols, $entry->symbol];
        }
        $hanging = [];
        foreach ($symbols as $symbol) {
            $hanging += array_fill_keys([$symbol, ...$this->worked->graph->restingOn($symbol)], true);
        }

        return $hanging;
    }
}
