<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Options;
use Welkion\Core\Formats\Cell;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\CsvWriter;
use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\Scope;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** Adds a column worked out by a formula. */
final class Derive extends Command
{
    public function name(): string
    {
        return 'derive';
    }

    public function purpose(): string
    {
        return 'adds a column worked out by a formula and prints the table as CSV';
    }

    public function options(): array
    {
        return [
            'formula' => '*in symbols or names of columns, such as "P*V" or "ln(P)"',
            'name' => '*of the new column',
            'unit' => 'of the new column; what people would write, if left out',
            'entries' => 'values the formula uses beside the columns: "m=5.02 g, r=1.2 cm"',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $table = $input->table($options->file());
        $scope = Scope::of($table->forFormulas(), $this->entries($options));
        $unit = $options->has('unit') ? Unit::parse($options->text('unit')) : null;
        $derived = Formula::parse($options->text('formula'))->derive($scope, $unit);

        $header = array_map(static fn (TableColumn $c): string => self::head($c->name, $c->kind === ColumnKind::DateTime ? '' : $c->unit), $table->columns);
        $columns = array_map(self::cells(...), $table->columns);
        $rows = (static function () use ($table, $columns, $derived): \Generator {
            for ($row = 0; $row < $table->rowCount; $row++) {
                $cells = array_map(static fn (array $column): string|float|null => $column[$row] ?? null, $columns);
                $value = $derived->values[$row];
                yield [...$cells, is_nan($value) ? null : $value];
            }
        })();

        return CsvWriter::plain(DecimalMark::Point)->write([...$header, self::head($options->text('name'), $derived->unit->symbol)], $rows);
    }

    private static function head(string $name, string $unit): string
    {
        return $unit === '' ? $name : "{$name} ({$unit})";
    }

    /** @return array<int, string|float> by row, as they stand in the file; a blank cell is left out */
    private static function cells(TableColumn $column): array
    {
        $cells = array_filter($column->values, is_finite(...));
        if ($column->first !== null) {
            $cells = array_map(static fn (float $seconds): string => $column->moment($seconds), $cells);
        }
        $texts = $column->texts + array_column(array_map(static fn (Cell $c): array => [$c->row, $c->text], $column->unreadable), 1, 0);
        foreach ($texts as $row => $text) {
            $cells[$row - 1] = $text;
        }

        return $cells;
    }

    /** @return array<string, Measured> */
    private function entries(Options $options): array
    {
        $entries = [];
        foreach ($options->has('entries') ? explode(',', $options->text('entries')) : [] as $part) {
            if (preg_match('/^\s*([^\s=]+)\s*=\s*([-+]?[\d.]+(?:[eE][-+]?\d+)?)\s*(.*?)\s*$/u', $part, $match) !== 1 || ! is_numeric($match[2])) {
                throw Failure::input("--entries are written as \"m=5.02 g, r=1.2 cm\", but \"{$part}\" is not.");
            }
            $entries[$match[1]] = Measured::of((float) $match[2], 0.0, Unit::parse($match[3]));
        }

        return $entries;
    }
}
