<?php

declare(strict_types=1);

use App\Http\Controllers\ActController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\CalibrationController;
use App\Http\Controllers\CalibrationReadingController;
use App\Http\Controllers\ExperimentController;
use App\Http\Controllers\KeptCalibrationController;
use App\Http\Controllers\LiveController;
use App\Http\Controllers\ProbeController;
use App\Http\Controllers\ReadingController;
use App\Http\Controllers\ReworkingController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\RunExportController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\WorkingController;
use Illuminate\Support\Facades\Route;

// What is no number names nothing, also where MariaDB would take its first digits for one.
Route::patterns(array_fill_keys(['bench', 'probe', 'calibration', 'zero', 'standard', 'experiment', 'run', 'reading'], '[1-9][0-9]{0,17}') + ['position' => '[0-4]', 'signIn' => '[0-9a-f]{64}']);

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show'])->middleware('throttle:api');
    Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
    Route::get('live/authorize', LiveController::class)->middleware('throttle:api');

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

        Route::prefix('probes/{probe}')->can('use', 'probe')->group(function (): void {
            Route::get('', [ProbeController::class, 'show']);
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

        Route::get('experiments', [ExperimentController::class, 'index']);
        Route::post('experiments', [ExperimentController::class, 'store']);
        Route::prefix('experiments/{experiment}')->can('use', 'experiment')->group(function (): void {
            Route::get('', [ExperimentController::class, 'show']);
            Route::patch('', [ExperimentController::class, 'update']);
            Route::get('working', WorkingController::class);
            Route::post('runs', [RunController::class, 'store']);
        });

        Route::prefix('runs/{run}')->can('use', 'run')->group(function (): void {
            Route::get('', [RunController::class, 'show']);
            Route::patch('', [RunController::class, 'update']);
            Route::post('finish', [RunController::class, 'finish']);
            Route::post('reopen', [RunController::class, 'reopen']);
            Route::post('readings', [ReadingController::class, 'store']);
            Route::get('readings.csv', RunExportController::class);
            Route::get('comparison', [ReworkingController::class, 'index']);
            Route::post('comparison', [ReworkingController::class, 'store']);
            Route::put('comparison', [ReworkingController::class, 'update']);
        });

        Route::patch('readings/{reading}', [ReadingController::class, 'update'])->can('use', 'reading');
        Route::delete('readings/{reading}', [ReadingController::class, 'destroy'])->can('use', 'reading');
        Route::post('readings/{reading}/restore', [ReadingController::class, 'restore'])->withTrashed()->can('use', 'reading');
    });

    Route::any('{any}', static fn () => abort(404))->where('any', '.*');
});

// Every other address is a view of the one page; the address is kept, so a reload or a link comes back to it. It needs no
// session: it comes also while the database is away, and then says so.
Route::view('{any}', 'page')->where('any', '.*')->withoutMiddleware('web');
