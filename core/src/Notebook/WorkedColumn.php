<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Working\ColumnInput;

/** The cells of a column in one run, or why there are none. */
final readonly class WorkedColumn
{
    /**
     * @param  ColumnInput|null  $cells  null if it cannot be worked out
     * @param  string|null  $problem  why not
     * @param  int|null  $position  character of its formula the problem is at, from 1
     * @param  list<string>  $notes  to know about its formula
     */
    private function __construct(public ?ColumnInput $cells, public ?string $problem = null, public ?int $position = null, public array $notes = [])
    {
    }

    /** @param  list<string>  $notes */
    public static function of(ColumnInput $cells, array $notes = []): self
    {
        return new self($cells, notes: $notes);
    }

    public static function problem(string $problem, ?int $position = null): self
    {
        return new self(null, $problem, $position);
    }
}
