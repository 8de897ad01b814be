<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Column;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\RunRows;
use Illuminate\Support\Str;
use Welkion\Core\Notebook\ColumnKind;

/** The rows of a run as they leave in a file: a head and cells, with the ± of what has one. */
final readonly class RowsTable
{
    /** Far below the uncertainty of anything that is measured, so that nothing is lost by it. */
    private const DIGITS = 9;

    /**
     * @param  list<string>  $header
     * @param  list<list<float|string|null>>  $rows
     */
    private function __construct(public array $header, public array $rows)
    {
    }

    public static function of(ExperimentWork $work, Run $run): self
    {
        $rows = RunRows::of($run, $work->rows->columns);
        $data = $work->worked->data($run->id);
        $header = [];
        $cells = [];
        foreach ($work->rows->columns as $column) {
            [$names, $values] = self::column($column, $work, $run->id, $rows);
            $header = [...$header, ...$names];
            $cells = [...$cells, ...$values];
        }

        return new self([...$header, 'Steady', 'Set aside because', 'Stored at (UTC)'], array_map(static fn (Reading $r, int $place): array => [
            ...array_map(static fn (array $of): float|string|null => $of[$place], $cells),
            $r->was_steady ? 'yes' : 'no', $data->aside[$place] ?? '', $r->created_at->toIso8601ZuluString(),
        ], $rows->readings, array_keys($rows->readings)));
    }

    /**
     * Several runs below each other, each row with its run; what a run has no column for stays blank.
     *
     * @param  list<Run>  $runs
     */
    public static function ofAll(ExperimentWork $work, array $runs): self
    {
        $tables = array_map(static fn (Run $run): self => self::of($work, $run), $runs);
        $header = array_values(array_unique(array_merge([], ...array_map(static fn (self $t): array => $t->header, $tables))));
        $rows = [];
        foreach ($tables as $i => $table) {
            $run = $runs[$i];
            foreach ($table->rows as $row) {
                $named = array_combine($table->header, $row);
                $rows[] = [(float) $run->number, $run->title(), $run->condition ?? '', $run->trial === null ? null : (float) $run->trial,
                    ...array_map(static fn (string $name): float|string|null => $named[$name] ?? null, $header)];
            }
        }

        return new self(['Run', 'Name of the run', 'Condition', 'Trial', ...$header], $rows);
    }

    /** What the file of a run is called. */
    public static function fileOf(Run $run): string
    {
        return self::nameOf($run->experiment->title)."-run-{$run->number}.csv";
    }

    public static function nameOf(string $title): string
    {
        return Str::slug($title) ?: 'experiment';
    }

    /** @return array{list<string>, list<list<float|string|null>>} heads and cells: the values, and their ± where it is known */
    private static function column(Column $column, ExperimentWork $work, int $run, RunRows $rows): array
    {
        $name = $work->worked->notebook->worded($column->name);
        $unit = $column->unit === '' ? '' : " ({$column->unit})";
        if ($column->kind === ColumnKind::Step && $column->is_words) {
            return [[$name], [array_map(static fn (Reading $r): ?string => $r->step_words, $rows->readings)]];
        }
        $worked = $work->worked->column($column->symbol, $run)->cells;
        $values = array_map(static fn (int $place): ?float => self::rounded($worked->values[$place] ?? NAN), array_keys($rows->readings));
        $isPlain = $worked === null || ($worked->scatter === null && $worked->common === []) || $column->is_raw;

        return $isPlain ? [["{$name}{$unit}"], [$values]] : [
            ["{$name}{$unit}", "Uncertainty of {$name}{$unit}"],
            [$values, array_map(static fn (int $place): ?float => self::rounded($worked->uncertainty($place)), array_keys($rows->readings))],
        ];
    }

    private static function rounded(float $value): ?float
    {
        return is_finite($value) ? (float) sprintf('%.'.self::DIGITS.'g', $value) : null;
    }
}
