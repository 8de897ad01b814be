<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exceptions\Refusal;
use App\Http\Requests\ExportRequest;
use App\Http\RowsTable;
use App\Models\Experiment;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Welkion\Core\Formats\CsvWriter;

/** Rows as files for a spreadsheet: of one run or one column of it, of all runs in one file, or a file for each; and the table of the runs. */
final class RowsFileController
{
    public function ofRun(ExportRequest $request, Run $run): Response
    {
        $work = ExperimentWork::of(NotebookRows::of($run->experiment));
        $known = $work->rows->runs->find($run->id) ?? abort(404);

        $column = $request->column($work->rows->columns);
        $table = $column === null ? RowsTable::of($work, $known) : RowsTable::ofColumn($work, $known, $column);

        return self::file(self::csv($table, $request), RowsTable::fileOf($run, $column));
    }

    public function together(ExportRequest $request, Experiment $experiment): Response
    {
        [$work, $runs] = self::runs($experiment);

        return self::file(self::csv(RowsTable::ofAll($work, $runs), $request), RowsTable::nameOf($experiment->title).'-all-runs.csv');
    }

    public function apart(ExportRequest $request, Experiment $experiment): BinaryFileResponse
    {
        [$work, $runs] = self::runs($experiment);
        $path = (string) tempnam(sys_get_temp_dir(), 'rows');
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        foreach ($runs as $run) {
            $zip->addFromString(RowsTable::fileOf($run->setRelation('experiment', $experiment)), self::csv(RowsTable::of($work, $run), $request));
        }
        $zip->close();

        return (new BinaryFileResponse($path, 200, ['Content-Type' => 'application/zip']))
            ->setContentDisposition('attachment', RowsTable::nameOf($experiment->title).'-runs.zip')->deleteFileAfterSend();
    }

    /** The runs table. */
    public function ofRuns(ExportRequest $request, Experiment $experiment): Response
    {
        [$work, $runs] = self::runs($experiment);

        return self::file(self::csv(RowsTable::ofRuns($work, $runs), $request), RowsTable::nameOf($experiment->title).'-runs.csv');
    }

    /**
     * @return array{ExperimentWork, list<Run>} runs with rows, in their order
     *
     * @throws Refusal If there are none.
     */
    private static function runs(Experiment $experiment): array
    {
        $work = ExperimentWork::of(NotebookRows::of($experiment));
        $runs = array_values($work->rows->runs->reject(static fn (Run $run): bool => $run->isEmpty())->all());

        return $runs === [] ? throw Refusal::nothingTaken() : [$work, $runs];
    }

    private static function csv(RowsTable $table, ExportRequest $request): string
    {
        return (new CsvWriter($request->decimalMark()))->write($table->header, $table->rows);
    }

    private static function file(string $csv, string $name): Response
    {
        return new Response($csv, 200, ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => "attachment; filename=\"{$name}\""]);
    }
}
