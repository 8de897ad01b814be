<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/**
 * The values of a notebook's columns and lines, each worked out when it is asked for; what was worked out before from the same
 * inputs is taken from the results that are kept.
 */
final class WorkedNotebook
{
    public readonly Graph $graph;

    private readonly Keys $keys;

    /** @var array<int, RunData> */
    private array $data = [];

    /** @var array<string, WorkedColumn> */
    private array $columns = [];

    /** @var array<string, WorkedLine> */
    private array $lines = [];

    public function __construct(public readonly Notebook $notebook, private readonly Results $results = new NoResults)
    {
        $this->graph = Graph::of($notebook);
        $this->keys = new Keys($notebook, $this->graph);
    }

    /** The rows of a run as they were recorded or typed. */
    public function data(int $run): RunData
    {
        return $this->data[$run] ??= ($this->notebook->runs[$run]->data)();
    }

    /** The cells of a column in a run; rows set aside are in it. */
    public function column(string $symbol, int $run): WorkedColumn
    {
        return $this->columns["{$symbol} {$run}"] ??= (new ColumnWork($this))->of($this->notebook->columns[$symbol], $run);
    }

    /** @param  int|null  $run  for a line that is worked out for each run */
    public function line(string $symbol, ?int $run = null): WorkedLine
    {
        $line = $this->notebook->lines[$symbol];
        $run = $line->isPerRun ? $run : null;

        return $this->lines["{$symbol} {$run}"] ??= (new LineWork($this, $this->results))->of($line, $run);
    }

    /**
     * Lines that are not in the notebook, as they would be worked out; nothing of them is kept.
     *
     * @param  list<Line>  $lines
     * @return list<WorkedLine>
     */
    public function tried(array $lines, ?int $run): array
    {
        $work = new LineWork($this, new NoResults);

        return array_map(static fn (Line $line): WorkedLine => $work->tried($line, $run), $lines);
    }

    /** @return list<array{string, int|null}> every line with every run it is worked out for */
    public function nodes(): array
    {
        $nodes = [];
        foreach ($this->notebook->lines as $symbol => $line) {
            foreach ($line->isPerRun ? array_keys($this->notebook->runs) : [null] as $run) {
                $nodes[] = [(string) $symbol, $run];
            }
        }

        return $nodes;
    }

    public function keyOfLine(string $symbol, ?int $run): string
    {
        return $this->keys->line($symbol, $run);
    }

    public function keyOfColumn(string $symbol, int $run): string
    {
        return $this->keys->column($symbol, $run);
    }
}
