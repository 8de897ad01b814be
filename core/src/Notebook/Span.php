<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** A named stretch of one column: the same in all runs, but where one has ends of its own. */
final readonly class Span
{
    /**
     * @param  string  $column  symbol
     * @param  float  $from  in the unit of the column
     * @param  array<int, array{float, float}>  $ofRuns  from and to in runs where it lies elsewhere, by their numbers
     */
    public function __construct(public string $column, public float $from, public float $to, public string $name = '', private array $ofRuns = [])
    {
    }

    /** As it lies in a run. */
    public function in(?Run $run): self
    {
        [$from, $to] = $this->ofRuns[$run->number ?? 0] ?? [$this->from, $this->to];

        return new self($this->column, $from, $to, $this->name);
    }
}
