<?php

declare(strict_types=1);

use App\Exceptions\BenchRefused;
use App\Exceptions\Handler;
use App\Exceptions\Problem;
use App\Exceptions\RecorderUnavailable;
use App\Exceptions\Refusal;
use App\Http\Middleware\NameTheInfinite;
use App\Http\Middleware\SessionAge;
use App\Http\Middleware\TellAwayAtOnce;
use App\Storage\AwayMark;
use App\Storage\Outage;
use App\Storage\StorageAway;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Debug\ExceptionHandler;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
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
        $middleware->append(NameTheInfinite::class);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->web(prepend: [TellAwayAtOnce::class], append: [SessionAge::class]);
        // Before anything asks who is there.
        $middleware->appendToPriorityList(StartSession::class, SessionAge::class);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        // What a person is told about is no fault of the program.
        $exceptions->dontReport([Refusal::class, CoreException::class, BenchRefused::class, RecorderUnavailable::class, StorageAway::class]);
        // While the database is away every request fails alike; one mistake made by thirty screens is one mistake.
        $exceptions->throttle(static fn (Throwable $error): Limit => Limit::perMinute(3)
            ->by(Outage::isBehind($error) ? 'outage' : $error::class.$error->getFile().$error->getLine().$error->getMessage()));
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*'));
        $exceptions->render(static function (Throwable $error, Request $request) {
            if (Outage::isUnreachable($error)) {
                app(AwayMark::class)->set();
            }

            return $request->is('api/*') ? Problem::from($error)->toResponse($request) : null;
        });
    })
    ->create();

$app->singleton(ExceptionHandler::class, Handler::class);
$app->useEnvironmentPath($run);
$app->loadEnvironmentFrom('settings.env');
$app->useStoragePath($run.'/storage');

return $app;
