<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

enum SlotKind: string
{
    /** A column of the rows that are worked with. */
    case Column = 'column';

    /** A value with unit and ±, or one of a line. */
    case Number = 'number';

    /** A word: one of those offered, or free. */
    case Text = 'text';

    /** Any number of values under their own names, as the symbols of a formula. */
    case Values = 'values';
}
