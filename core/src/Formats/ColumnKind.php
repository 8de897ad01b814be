<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

/** What a column of a file holds. */
enum ColumnKind: string
{
    case Number = 'number';
    case DateTime = 'datetime';
    case Text = 'text';
}
