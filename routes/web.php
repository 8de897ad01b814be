<?php

declare(strict_types=1);

use App\Http\Controllers\ActController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\CalibrationController;
use App\Http\Controllers\CalibrationReadingController;
use App\Http\Controllers\ColumnController;
use App\Http\Controllers\EntryController;
use App\Http\Controllers\ExperimentController;
use App\Http\Controllers\FigureController;
use App\Http\Controllers\FormulaController;
use App\Http\Controllers\HistoryController;
use App\Http\Controllers\KeptCalibrationController;
use App\Http\Controllers\LineController;
use App\Http\Controllers\LiveController;
use App\Http\Controllers\MarkerController;
use App\Http\Controllers\MethodController;
use App\Http\Controllers\NearRowsController;
use App\Http\Controllers\OwnBenchController;
use App\Http\Controllers\PointNumbersController;
use App\Http\Controllers\PointsController;
use App\Http\Controllers\ProbeController;
use App\Http\Controllers\ProtocolController;
use App\Http\Controllers\ReadingController;
use App\Http\Controllers\RelationController;
use App\Http\Controllers\ResidualController;
use App\Http\Controllers\ReworkingController;
use App\Http\Controllers\RowsFileController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\RunsTableController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\SpanController;
use App\Http\Controllers\SpanNumbersController;
use App\Http\Controllers\TableFileController;
use App\Http\Controllers\TypedRowController;
use App\Http\Controllers\WatchController;
use App\Http\Controllers\WatcherController;
use App\Http\Controllers\WayController;
use App\Http\Middleware\Foresee;
use App\Http\Middleware\Watching;
use Illuminate\Support\Facades\Route;

// What is no number names nothing, also where MariaDB would take its first digits for one.
Route::patterns(array_fill_keys(['bench', 'probe', 'calibration', 'zero', 'standard', 'experiment', 'run', 'reading', 'entry', 'column', 'line', 'span', 'figure', 'watch'], '[1-9][0-9]{0,17}') + ['position' => '[0-4]', 'revision' => '[0-9]{1,9}', 'protocol' => '[a-z0-9-]{1,60}', 'signIn' => '[0-9a-f]{64}']);

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show'])->middleware('throttle:api');
    Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
    Route::get('live/authorize', LiveController::class)->middleware('throttle:api');

    Route::post('watch', [WatcherController::class, 'enter'])->name('watch.enter')->middleware('throttle:api');
    Route::prefix('watch/{watch}')->middleware(['throttle:api', Watching::class])->group(function (): void {
        Route::get('', [WatcherController::class, 'show']);
        Route::get('runs/{run}', [WatcherController::class, 'run']);
        Route::get('runs/{run}/points', [WatcherController::class, 'points']);
    });

    Route::middleware(['auth', 'throttle:api'])->group(function (): void {
        Route::delete('session', [SessionController::class, 'destroy']);
        Route::get('sign-ins', [SignInController::class, 'index']);
        Route::delete('sign-ins', [SignInController::class, 'destroyOthers']);
        Route::delete('sign-ins/{signIn}', [SignInController::class, 'destroy'])->can('use', 'signIn');

        Route::get('benches', [BenchController::class, 'index']);
        Route::get('benches/{bench}', [BenchController::class, 'show'])->can('use', 'bench');
        Route::post('benches/{bench}/acts', [ActController::class, 'store'])->can('use', 'bench');
        Route::get('benches/{bench}/truth', [ActController::class, 'truth'])->can('use', 'bench');

        Route::patch('benches/{bench}', [BenchController::class, 'update'])->can('use', 'bench');
        Route::post('benches', [OwnBenchController::class, 'store']);
        Route::post('benches/try', [OwnBenchController::class, 'try'])->name('benches.try')->middleware('throttle:bench-trials');
        Route::put('benches/{bench}/name', [OwnBenchController::class, 'rename'])->name('benches.name')->can('use', 'bench');
        Route::post('benches/{bench}/put-away', [OwnBenchController::class, 'putAway'])->can('use', 'bench');
        Route::post('benches/{bench}/bring-back', [OwnBenchController::class, 'bringBack'])->can('use', 'bench');

        Route::prefix('probes/{probe}')->can('use', 'probe')->group(function (): void {
            Route::get('', [ProbeController::class, 'show']);
            Route::patch('', [ProbeController::class, 'update']);
            Route::post('put-away', [ProbeController::class, 'putAway']);
            Route::post('bring-back', [ProbeController::class, 'bringBack']);
            Route::get('runs', [ProbeController::class, 'runs']);
            Route::get('zeros', [ProbeController::class, 'zeros']);
            Route::post('zeros', [ProbeController::class, 'zero']);
            Route::get('calibrations', [CalibrationController::class, 'index']);
            Route::post('calibrations', [CalibrationController::class, 'store']);
            Route::post('calibrations/copy', [KeptCalibrationController::class, 'copy']);
            Route::post('calibrations/factory', [KeptCalibrationController::class, 'factory']);
        });
        Route::post('zeros/{zero}/undo', [ProbeController::class, 'undoZero'])->can('use', 'zero');
        Route::prefix('calibrations/{calibration}')->can('use', 'calibration')->group(function (): void {
            Route::get('', [CalibrationController::class, 'show']);
            Route::patch('', [CalibrationController::class, 'update']);
            Route::delete('', [CalibrationController::class, 'destroy']);
            Route::put('set-aside', [KeptCalibrationController::class, 'setAside']);
            Route::post('keep', [CalibrationController::class, 'keep']);
            Route::post('exchange', [CalibrationController::class, 'exchange']);
            Route::post('readings', [CalibrationReadingController::class, 'store']);
            Route::delete('readings/{position}', [CalibrationReadingController::class, 'destroy']);
        });

        Route::get('shelf', [ShelfController::class, 'index']);
        Route::post('shelf', [ShelfController::class, 'store']);
        Route::patch('shelf/{standard}', [ShelfController::class, 'update'])->can('use', 'standard');
        Route::delete('shelf/{standard}', [ShelfController::class, 'destroy'])->can('use', 'standard');
        Route::post('shelf/{standard}/restore', [ShelfController::class, 'restore'])->withTrashed()->can('use', 'standard');

        Route::get('methods', MethodController::class);
        Route::get('protocols', [ProtocolController::class, 'index']);
        Route::post('protocols', [ProtocolController::class, 'store']);
        Route::get('protocols/{protocol}', [ProtocolController::class, 'show'])->can('use', 'protocol');
        Route::delete('protocols/{protocol}', [ProtocolController::class, 'destroy'])->can('use', 'protocol');

        Route::get('experiments', [ExperimentController::class, 'index']);
        Route::post('experiments', [ExperimentController::class, 'store']);
        Route::prefix('experiments/{experiment}')->can('use', 'experiment')->scopeBindings()->group(function (): void {
            Route::get('', [ExperimentController::class, 'show']);
            Route::patch('', [ExperimentController::class, 'update']);
            Route::delete('', [ExperimentController::class, 'destroy']);
            Route::post('bring-back', [ExperimentController::class, 'bringBack']);
            Route::post('copy', [ExperimentController::class, 'copy']);
            Route::post('protocol', [ProtocolController::class, 'of']);
            Route::get('worked', [ExperimentController::class, 'worked']);
            Route::get('runs-table', RunsTableController::class);
            Route::post('undo', [HistoryController::class, 'undo']);
            Route::post('redo', [HistoryController::class, 'redo']);
            Route::get('history', [HistoryController::class, 'index']);
            Route::get('history/{revision}', [HistoryController::class, 'show']);
            Route::post('history/{revision}/go-back', [HistoryController::class, 'goBack']);
            Route::post('entries', [EntryController::class, 'store']);
            Route::patch('entries/{entry}', [EntryController::class, 'update']);
            Route::put('entries/{entry}/value', [EntryController::class, 'type']);
            Route::delete('entries/{entry}', [EntryController::class, 'destroy']);
            Route::post('formula', FormulaController::class);
            Route::post('columns', [ColumnController::class, 'store']);
            Route::patch('columns/{column}', [ColumnController::class, 'update']);
            Route::delete('columns/{column}', [ColumnController::class, 'destroy']);
            Route::post('lines', [LineController::class, 'store']);
            Route::patch('lines/{line}', [LineController::class, 'update']);
            Route::put('lines/{line}/guess', [LineController::class, 'guess']);
            Route::get('lines/{line}/residuals', ResidualController::class);
            Route::post('lines/{line}/copy', [LineController::class, 'copy']);
            Route::delete('lines/{line}', [LineController::class, 'destroy']);
            Route::post('spans', [SpanController::class, 'store']);
            Route::patch('spans/{span}', [SpanController::class, 'update']);
            Route::delete('spans/{span}', [SpanController::class, 'destroy']);
            Route::post('figures', [FigureController::class, 'store']);
            Route::patch('figures/{figure}', [FigureController::class, 'update']);
            Route::delete('figures/{figure}', [FigureController::class, 'destroy']);
            Route::post('runs', [RunController::class, 'store']);
            Route::get('watch', [WatchController::class, 'show']);
            Route::post('watch', [WatchController::class, 'store']);
            Route::delete('watch', [WatchController::class, 'destroy']);
            Route::get('files', [TableFileController::class, 'index']);
            Route::post('files', [TableFileController::class, 'store']);
            Route::get('files/{file}', [TableFileController::class, 'show']);
            Route::post('files/{file}/take', [TableFileController::class, 'take']);
            Route::get('rows.csv', [RowsFileController::class, 'together']);
            Route::get('rows.zip', [RowsFileController::class, 'apart']);
            Route::get('runs-table.csv', [RowsFileController::class, 'ofRuns']);
        });

        Route::prefix('runs/{run}')->can('use', 'run')->scopeBindings()->group(function (): void {
            Route::get('', [RunController::class, 'show']);
            Route::patch('', [RunController::class, 'update']);
            Route::delete('', [RunController::class, 'destroy']);
            Route::post('finish', [RunController::class, 'finish']);
            Route::post('reopen', [RunController::class, 'reopen']);
            Route::post('go-on', [RunController::class, 'goOn']);
            Route::post('begin', [RunController::class, 'begin']);
            Route::post('markers', [MarkerController::class, 'store']);
            Route::patch('markers/{marker}', [MarkerController::class, 'update']);
            Route::delete('markers/{marker}', [MarkerController::class, 'destroy']);
            Route::post('readings', [ReadingController::class, 'store']);
            Route::delete('readings/{reading}', [ReadingController::class, 'destroy']);
            Route::put('set-aside', [ReadingController::class, 'setAside'])->middleware(Foresee::class);
            Route::get('rows', [TypedRowController::class, 'index']);
            Route::post('rows', [TypedRowController::class, 'store']);
            Route::patch('rows', [TypedRowController::class, 'move']);
            Route::delete('rows', [TypedRowController::class, 'destroy']);
            Route::put('cells', [TypedRowController::class, 'fill']);
            Route::get('rows.csv', [RowsFileController::class, 'ofRun']);
            Route::get('points', PointsController::class);
            Route::get('near', NearRowsController::class);
            Route::get('span', SpanNumbersController::class);
            Route::get('point', PointNumbersController::class);
            Route::get('relations', [RelationController::class, 'index']);
            Route::get('relation', [RelationController::class, 'show']);
            Route::get('ways', [WayController::class, 'index']);
            Route::post('ways', [WayController::class, 'store']);
            Route::get('comparison', [ReworkingController::class, 'index']);
            Route::post('comparison', [ReworkingController::class, 'store']);
            Route::put('comparison', [ReworkingController::class, 'update']);
        });
    });

    Route::any('{any}', static fn () => abort(404))->where('any', '.*');
});

// Every other address is a view of the one page; the address is kept, so a reload or a link comes back to it. It needs no
// session: it comes also while the database is away, and then says so.
Route::view('{any}', 'page')->where('any', '.*')->withoutMiddleware('web');
