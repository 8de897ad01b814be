<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ExportRequest;
use App\Models\Column;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Notebook\RunRows;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Welkion\Core\Formats\CsvWriter;
use Welkion\Core\Notebook\ColumnKind;

/** The rows of a run as a file for a spreadsheet. */
final class RunExportController
{
    /** Far below the uncertainty of anything that is measured, so that nothing is lost by it. */
    private const DIGITS = 9;

    public function __invoke(ExportRequest $request, Run $run): Response
    {
        $work = ExperimentWork::of(NotebookRows::of($run->experiment));
        $known = $work->rows->runs->find($run->id) ?? abort(404);
        $rows = RunRows::of($known, $work->rows->columns);
        $data = $work->worked->data($run->id);
        $header = [];
        $cells = [];
        foreach ($work->rows->columns as $column) {
            [$names, $values] = self::column($column, $work, $run->id, $rows);
            $header = [...$header, ...$names];
            $cells = [...$cells, ...$values];
        }
        $lines = array_map(static fn (Reading $r, int $place): array => [
            ...array_map(static fn (array $of): float|string|null => $of[$place], $cells),
            $r->was_steady ? 'yes' : 'no', $data->aside[$place] ?? '', $r->created_at->toIso8601ZuluString(),
        ], $rows->readings, array_keys($rows->readings));
        $csv = (new CsvWriter($request->decimalMark()))->write([...$header, 'Steady', 'Set aside because', 'Stored at (UTC)'], $lines);
        $name = (Str::slug($run->experiment->title) ?: 'experiment')."-run-{$run->number}.csv";

        return new Response($csv, 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
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
