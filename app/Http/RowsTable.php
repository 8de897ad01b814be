<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Column;
use App\Models\Marker;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\RunRows;
use Illuminate\Support\Str;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\RunsTable;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** The rows of a run as they leave in a file: a head and cells, with the ± of what has one. */
final readonly class RowsTable
{
    /** Far below the uncertainty of anything that is measured, so that nothing is lost by it. */
    private const DIGITS = 9;

    private const ASIDE = 'Set aside because';

    private const NAMED = ['Run', 'Name of the run', 'Condition', 'Trial'];

    /**
     * @param  list<string>  $header
     * @param  list<list<float|string|null>>  $rows
     */
    private function __construct(public array $header, public array $rows)
    {
    }

    /** One column of a run, with what of it is set aside. */
    public static function ofColumn(ExperimentWork $work, Run $run, Column $column): self
    {
        $data = $work->worked->data($run->id);
        [$names, $values] = self::column($column, $work, $run->id, $data);
        $aside = $data->aside + ($data->asideOf[$column->symbol] ?? []);

        return new self([...$names, self::ASIDE], self::rows($data->rowCount, [...$values, self::places($data->rowCount, static fn (int $place): string => $aside[$place] ?? '')]));
    }

    public static function of(ExperimentWork $work, Run $run): self
    {
        $data = $work->worked->data($run->id);
        $header = [];
        $cells = [];
        foreach ($work->rows->columns as $column) {
            [$names, $values] = self::column($column, $work, $run->id, $data);
            $header = [...$header, ...$names];
            $cells = [...$cells, ...$values];
        }
        [$names, $values] = match ($run->kind) {
            Run::TIMED => self::markers($run, $work),
            Run::TYPED => self::notes($run, $run->rowOrder()->rows()),
            default => self::taken($run, RunRows::of($run, $work->rows->columns)->readings),
        };
        $aside = self::places($data->rowCount, static fn (int $place): string => $data->aside[$place] ?? '');

        return new self([...$header, self::ASIDE, ...$names], self::rows($data->rowCount, [...$cells, $aside, ...$values]));
    }

    /**
     * @param  list<list<float|string|null>>  $columns
     * @return list<list<float|string|null>>
     */
    private static function rows(int $count, array $columns): array
    {
        $rows = [];
        for ($place = 0; $place < $count; $place++) {
            $rows[] = array_map(static fn (array $of): float|string|null => $of[$place], $columns);
        }

        return $rows;
    }

    /**
     * @param  list<Reading>  $readings
     * @return array{list<string>, list<list<string>>}
     */
    private static function taken(Run $run, array $readings): array
    {
        [$names, $notes] = self::notes($run, array_column($readings, 'row'));

        return [['Steady', 'Stored at (UTC)', ...$names], [
            array_map(static fn (Reading $r): string => $r->was_steady ? 'yes' : 'no', $readings),
            array_map(static fn (Reading $r): string => $r->created_at->toIso8601ZuluString(), $readings),
            ...$notes,
        ]];
    }

    /**
     * What was noted at rows, if anything was.
     *
     * @param  list<int>  $rows  by their numbers
     * @return array{list<string>, list<list<string>>}
     */
    private static function notes(Run $run, array $rows): array
    {
        $notes = [];
        foreach ($run->loadMissing('markers')->markers as $marker) {
            $notes[(int) $marker->row][] = $marker->name;
        }

        return $notes === [] ? [[], []] : [['Marker'], [array_map(static fn (int $row): string => implode('; ', $notes[$row] ?? []), $rows)]];
    }

    /**
     * Each marker beside the row that was recorded when it was dropped.
     *
     * @return array{list<string>, list<list<string>>}
     */
    private static function markers(Run $run, ExperimentWork $work): array
    {
        $time = $work->rows->columns->first(static fn (Column $c): bool => $c->kind === ColumnKind::Time);
        $cells = $time instanceof Column ? $work->worked->column($time->symbol, $run->id)->cells : null;
        if ($cells === null || $run->loadMissing('markers')->markers->isEmpty()) {
            return [[], []];
        }
        $second = Unit::parse('s');
        $interval = $second->convertDifference($run->timedPlan()->interval(), $cells->unit);
        $names = [];
        foreach ($cells->values as $place => $value) {
            $next = $cells->values[$place + 1] ?? $value + $interval;
            $here = $run->markers->filter(static fn (Marker $m): bool => $m->at !== null && $second->convert($m->at, $cells->unit) >= $value && $second->convert($m->at, $cells->unit) < $next);
            $names[] = implode('; ', $here->map(static fn (Marker $m): string => $m->name === '' ? 'marker' : $m->name)->all());
        }

        return [['Marker'], [$names]];
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
                $rows[] = [...self::named($run), ...array_map(static fn (string $name): float|string|null => $named[$name] ?? null, $header)];
            }
        }

        return new self([...self::NAMED, ...$header], $rows);
    }

    /**
     * The runs table: one row a run, with the ± of what has one.
     *
     * @param  list<Run>  $runs
     */
    public static function ofRuns(ExperimentWork $work, array $runs): self
    {
        $table = new RunsTable($work->worked);
        [$header, $cells] = [[], []];
        foreach ($table->units() as $symbol => $unit) {
            $values = array_map(static fn (Run $run): ?Measured => $table->value($symbol, $run->id)?->in($unit), $runs);
            $head = $symbol.($unit->symbol === '' ? '' : " ({$unit->symbol})");
            $header[] = $head;
            $cells[] = array_map(static fn (?Measured $m): ?float => $m === null ? null : self::rounded($m->value), $values);
            if (array_filter($values, static fn (?Measured $m): bool => $m !== null && $m->uncertainty > 0.0) !== []) {
                $header[] = "Uncertainty of {$head}";
                $cells[] = array_map(static fn (?Measured $m): ?float => $m === null ? null : self::rounded($m->uncertainty), $values);
            }
        }
        $aside = array_map(static fn (Run $run): string => (string) $run->aside, $runs);
        $rows = self::rows(count($runs), [...$cells, $aside]);

        return new self([...self::NAMED, ...$header, self::ASIDE], array_map(static fn (Run $run, array $row): array => [...self::named($run), ...$row], $runs, $rows));
    }

    /** @return list<float|string|null> as NAMED heads them */
    private static function named(Run $run): array
    {
        return [(float) $run->number, $run->title(), $run->condition ?? '', $run->trial === null ? null : (float) $run->trial];
    }

    /** What the file of a run is called, or that of one column of it. */
    public static function fileOf(Run $run, ?Column $column = null): string
    {
        $of = $column === null ? '' : '-'.(Str::slug($column->symbol) ?: 'column');

        return self::nameOf($run->experiment->title)."-run-{$run->number}{$of}.csv";
    }

    public static function nameOf(string $title): string
    {
        return Str::slug($title) ?: 'experiment';
    }

    /**
     * @return array{list<string>, list<list<float|string|null>>} heads and cells: the values, and their ± where it is known
     */
    private static function column(Column $column, ExperimentWork $work, int $run, RunData $data): array
    {
        $name = $work->worked->notebook->worded($column->name);
        $unit = $column->unit === '' ? '' : " ({$column->unit})";
        $words = $column->is_words ? $data->words[$column->symbol] ?? null : null;
        if ($words !== null) {
            return [[$name], [$words]];
        }
        $count = $data->rowCount;
        $worked = $work->worked->column($column->symbol, $run)->cells;
        // What is no number leaves as it was typed.
        $values = self::places($count, static fn (int $place): float|string|null => $data->unreadable[$column->symbol][$place] ?? self::rounded($worked->values[$place] ?? NAN));
        $isPlain = $worked === null || ($worked->scatter === null && $worked->common === []) || $column->is_raw;

        return $isPlain ? [["{$name}{$unit}"], [$values]] : [
            ["{$name}{$unit}", "Uncertainty of {$name}{$unit}"],
            [$values, self::places($count, static fn (int $place): ?float => self::rounded($worked->uncertainty($place)))],
        ];
    }

    /**
     * @param  \Closure(int): (float|string|null)  $cell
     * @return list<float|string|null>
     */
    private static function places(int $count, \Closure $cell): array
    {
        return $count === 0 ? [] : array_map($cell, range(0, $count - 1));
    }

    private static function rounded(float $value): ?float
    {
        return is_finite($value) ? (float) sprintf('%.'.self::DIGITS.'g', $value) : null;
    }
}
