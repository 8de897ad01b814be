<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** What a tile of a board can show. */
enum TileKind: string
{
    case Figure = 'figure';
    case Readout = 'readout';
    case Level = 'level';
    case Table = 'table';
}
