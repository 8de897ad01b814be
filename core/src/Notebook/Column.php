<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Units\Unit;

/** One quantity of the rows of every run. */
final readonly class Column
{
    /**
     * @param  string  $formula  of a derived one
     * @param  int|null  $decimals  as it is shown; null: as the ± allows
     * @param  string  $origin  what its cells are recorded from: another origin, other cells
     */
    public function __construct(
        public string $symbol,
        public string $name,
        public Unit $unit,
        public ColumnKind $kind,
        public string $formula = '',
        public ?int $decimals = null,
        public string $origin = '',
    ) {
    }
}
