<?php

declare(strict_types=1);

use App\Exceptions\Problem;
use App\Exceptions\Refusal;
use App\Recorder\BenchRefused;
use App\Recorder\RecorderUnavailable;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Welkion\Core\Exception\CoreException;

// Every running copy (the demo, the tests) has a folder of its own for settings, files and logs.
$run = getenv('WELKION_VAR');
$run = is_string($run) && $run !== '' ? $run : dirname(__DIR__).'/var/demo';

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        commands: __DIR__.'/../routes/console.php',
        health: '/up',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // The application is same-origin; nothing answers other sites.
        $middleware->remove(HandleCors::class);
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        // What a person is told about is no fault of the program.
        $exceptions->dontReport([Refusal::class, CoreException::class, BenchRefused::class, RecorderUnavailable::class]);
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*'));
        $exceptions->render(static fn (Throwable $error, Request $request) => $request->is('api/*')
            ? Problem::from($error)->toResponse($request)
            : null);
    })
    ->create();

$app->useEnvironmentPath($run);
$app->loadEnvironmentFrom('settings.env');
$app->useStoragePath($run.'/storage');

return $app;
