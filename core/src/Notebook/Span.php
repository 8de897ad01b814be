<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** A named stretch of one column. */
final readonly class Span
{
    /**
     * @param  string  $column  symbol
     * @param  float  $from  in the unit of the column
     * @param  int|null  $run  of one run alone; null: shared by all
     */
    public function __construct(public string $column, public float $from, public float $to, public string $name = '', public ?int $run = null)
    {
    }
}
