<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Core\Formats\Cell;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Formats\Trials;

/** Tells what a file holds. */
final class Read extends Command
{
    public function name(): string
    {
        return 'read';
    }

    public function purpose(): string
    {
        return 'tells what a file holds, with every cell that could not be read';
    }

    public function options(): array
    {
        return [];
    }

    public function run(Options $options, Input $input): string
    {
        $table = $input->table($options->file());

        return Json::of([
            'rows' => $table->rowCount,
            'columns' => array_map(static fn (TableColumn $c): array => [
                'name' => $c->name,
                'symbol' => $c->symbol,
                // Dates have no unit in the file; computed with, they are seconds since the first one.
                'unit' => $c->kind === ColumnKind::DateTime ? '' : $c->unit,
                'kind' => $c->kind->value,
                'count' => $c->count(),
                'missing' => $table->rowCount - $c->count(),
                'sum' => $c->sum(),
            ] + ($c->first === null ? [] : ['first' => $c->first, 'last' => $c->last]), $table->columns),
            'unreadable' => array_map(static fn (Cell $cell): array => self::place($table, $cell) + ['text' => $cell->text], $table->unreadable()),
            'blank' => array_map(static fn (Cell $cell): array => self::place($table, $cell), $table->blank()),
            'notes' => $table->notes,
        ] + self::trials($table));
    }

    /** @return array{trials?: list<array{condition: string, trial: int, symbol: string}>} of a wide table */
    private static function trials(Table $table): array
    {
        $trials = array_map(static fn (Trials $t): array => ['condition' => $t->condition, 'trial' => $t->trial, 'symbol' => $t->column->symbol], Trials::in($table));

        return $trials === [] ? [] : ['trials' => $trials];
    }

    /** @return array{row: int, column: int, name: string} */
    private static function place(Table $table, Cell $cell): array
    {
        return ['row' => $cell->row, 'column' => $cell->column, 'name' => $table->columns[$cell->column - 1]->name ?? ''];
    }
}
