<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\TableFile;
use Welkion\Core\Formats\Cell;
use Welkion\Core\Formats\CellText;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Formats\Trials;

/** What was understood of a file, before anything of it is taken: its columns, its first rows, and what is no number. */
final class TablePreview
{
    private const ROWS = 12;

    private const MOST_TOLD = 50;

    /** @return array<string, mixed> */
    public static function of(TableFile $file, Table $table): array
    {
        $trials = Trials::in($table);
        $unreadable = $table->unreadable();

        return [
            'id' => $file->id, 'name' => $file->name, 'bytes' => $file->bytes, 'hints' => TableFile::told($table->hints), 'rowCount' => $table->rowCount,
            'columns' => array_map(static fn (TableColumn $c, int $place): array => [
                'place' => $place, 'name' => $c->name, 'symbol' => $c->symbol, 'unit' => $c->unit, 'kind' => $c->kind->value,
                'count' => $c->count(), 'blank' => count($c->blank), 'unreadable' => count($c->unreadable), 'first' => $c->first, 'last' => $c->last,
            ], $table->columns, array_keys($table->columns)),
            'rows' => array_map(static fn (int $row): array => array_map(static fn (TableColumn $c): string => self::shown($c, $row), $table->columns), range(1, min(self::ROWS, $table->rowCount))),
            'unreadable' => array_map(static fn (Cell $cell): array => [
                'row' => $cell->row, 'column' => $table->columns[$cell->column - 1]->name ?? '', 'text' => $cell->text, 'remedy' => CellText::remedy($cell->text),
            ], array_slice($unreadable, 0, self::MOST_TOLD)),
            'unreadableCount' => count($unreadable), 'blankCount' => count($table->blank()), 'notes' => $table->notes,
            'trials' => array_map(static fn (Trials $t): array => ['condition' => $t->condition, 'trial' => $t->trial, 'place' => (int) array_search($t->column, $table->columns, true)], $trials),
        ];
    }

    private static function shown(TableColumn $column, int $row): string
    {
        if ($column->kind === ColumnKind::Text) {
            return $column->texts[$row] ?? '';
        }
        $value = $column->values[$row - 1] ?? NAN;
        if (is_finite($value)) {
            return (string) json_encode($value);
        }

        return array_values(array_filter($column->unreadable, static fn (Cell $c): bool => $c->row === $row))[0]->text ?? '';
    }
}
