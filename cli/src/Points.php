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
     * @param  list<float>|null  $weights  of the points, if a column of them was named
     */
    private function __construct(
        public array $x,
        public array $y,
        public int $missing,
        public TableColumn $xColumn,
        public TableColumn $yColumn,
        public ?array $weights,
    ) {
    }

    /** Rows with $from <= x <= $to. */
    public static function of(Table $table, string $x, string $y, ?float $from = null, ?float $to = null, ?string $weights = null): self
    {
        $xColumn = $table->column($x);
        $yColumn = $table->column($y);
        $weightColumn = $weights === null ? null : $table->column($weights);
        if ($from !== null && $to !== null && $from > $to) {
            throw Failure::input('--from must not lie above --to.');
        }
        $xs = [];
        $ys = [];
        $ws = [];
        $missing = 0;
        foreach ($xColumn->values as $row => $value) {
            $weight = $weightColumn->values[$row] ?? 1.0;
            if (is_nan($value) || is_nan($yColumn->values[$row]) || is_nan($weight)) {
                $missing++;
            } elseif ($value >= ($from ?? -INF) && $value <= ($to ?? INF)) {
                $xs[] = $value;
                $ys[] = $yColumn->values[$row];
                $ws[] = $weight;
            }
        }
        if ($xs === []) {
            throw Failure::input("No row has a number in both \"{$x}\" and \"{$y}\"".($from !== null || $to !== null ? ' between --from and --to.' : '.'));
        }

        return new self($xs, $ys, $missing, $xColumn, $yColumn, $weights === null ? null : $ws);
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
