<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

enum SlotKind: string
{
    /** A column of the rows that are worked with. */
    case Column = 'column';

    /** A value with unit and ±: typed, or that of an entry or a line. */
    case Number = 'number';

    /** What has a value for each run, by its symbol: it is read in those runs the slots of a run name. */
    case Result = 'result';

    /** A run, by its number: the method is given what the result is there. */
    case Run = 'run';

    /** A word: one of those offered, or free. */
    case Text = 'text';

    /** A stretch of a column that the method itself looks at; to all others only its rows are given. */
    case Span = 'span';

    /** Any number of values under their own names, as the symbols of a formula. */
    case Values = 'values';
}
