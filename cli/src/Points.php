<?php

declare(strict_types=1);

namespace Welkion\Cli;

use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Units\Unit;

/** Two columns of a table, row by row, without rows in which a cell is missing. */
final readonly class Points
{
    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  int  $missing  rows left out because a cell is blank or unreadable
     */
    private function __construct(
        public array $x,
        public array $y,
        public int $missing,
        public TableColumn $xColumn,
        public TableColumn $yColumn,
    ) {
    }

    /** Rows with $from <= x <= $to. */
    public static function of(Table $table, string $x, string $y, ?float $from = null, ?float $to = null): self
    {
        $xColumn = $table->column($x);
        $yColumn = $table->column($y);
        if ($from !== null && $to !== null && $from > $to) {
            throw Failure::input('--from must not lie above --to.');
        }
        $xs = [];
        $ys = [];
        $missing = 0;
        foreach ($xColumn->values as $row => $value) {
            if (is_nan($value) || is_nan($yColumn->values[$row])) {
                $missing++;
            } elseif ($value >= ($from ?? -INF) && $value <= ($to ?? INF)) {
                $xs[] = $value;
                $ys[] = $yColumn->values[$row];
            }
        }
        if ($xs === []) {
            throw Failure::input("No row has a number in both \"{$x}\" and \"{$y}\"".($from !== null || $to !== null ? ' between --from and --to.' : '.'));
        }

        return new self($xs, $ys, $missing, $xColumn, $yColumn);
    }

    public function xUnit(): Unit
    {
        return Unit::ofHeader($this->xColumn->unit);
    }

    public function yUnit(): Unit
    {
        return Unit::ofHeader($this->yColumn->unit);
    }
}
