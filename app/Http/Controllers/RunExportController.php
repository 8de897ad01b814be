<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ExportRequest;
use App\Models\Run;
use App\Titration\ReadingPoint;
use App\Titration\RunCurve;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Welkion\Core\Formats\CsvWriter;

/** The readings of a run as a file for a spreadsheet. */
final class RunExportController
{
    /** Far below the uncertainty of any pH, so that nothing is lost by it. */
    private const PH_DECIMALS = 5;

    public function __invoke(ExportRequest $request, Run $run): Response
    {
        $run->loadMissing('experiment');
        $rows = RunCurve::of($run)->points->map(static fn (ReadingPoint $p): array => [
            $p->reading->volume,
            $p->ph === null ? null : round($p->ph->value, self::PH_DECIMALS),
            $p->ph === null ? null : round($p->ph->uncertainty, self::PH_DECIMALS),
            $p->millivolts,
            $p->celsius,
            $p->reading->was_steady ? 'yes' : 'no',
            $p->reading->set_aside_reason ?? '',
            $p->reading->created_at->toIso8601ZuluString(),
        ]);
        $csv = (new CsvWriter($request->decimalMark()))->write([
            "Volume of {$run->experiment->titrant} added (mL)", 'pH (pH)', 'Uncertainty of pH (pH)', 'Electrode (mV)',
            'Temperature (°C)', 'Steady', 'Set aside because', 'Stored at (UTC)',
        ], array_values($rows->all()));
        $name = (Str::slug($run->experiment->title) ?: 'experiment')."-run-{$run->number}.csv";

        return new Response($csv, 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }
}
