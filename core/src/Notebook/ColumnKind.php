<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** How the cells of a column come about. */
enum ColumnKind: string
{
    case Time = 'time';
    case Measured = 'measured';
    /** What is set from reading to reading: a number or a word. */
    case Step = 'step';
    case Typed = 'typed';
    /** By a formula. */
    case Derived = 'derived';
}
