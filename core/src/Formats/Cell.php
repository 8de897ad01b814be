<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

/** A cell of a file that is blank or cannot be read, with its place. */
final readonly class Cell
{
    /**
     * @param  int  $row  data row, from 1; headers, blank lines and comments do not count
     * @param  int  $column  from 1
     * @param  string  $text  what stands there; '' for a blank one
     */
    public function __construct(public int $row, public int $column, public string $text)
    {
    }
}
