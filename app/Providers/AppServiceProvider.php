<?php

declare(strict_types=1);

namespace App\Providers;

use App\Auth\EmailAddress;
use App\Auth\Sessions;
use App\Http\SenderOf;
use App\Live\PublishSocket;
use App\Notebook\LibraryProtocol;
use App\Notebook\ProtocolLibrary;
use App\Notebook\RunListener;
use App\Notebook\Sender;
use App\Recorder\Doors;
use App\Recorder\RecorderClient;
use App\Storage\AwayMark;
use App\Storage\ExactConnection;
use App\Storage\NoSecondTry;
use App\Typing\TableFiles;
use App\Watching\WatchDoor;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Database\LostConnectionDetector;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    /** Enough to find a slip in an address; too few to look through a network. */
    private const BENCH_TRIALS_PER_MINUTE = 12;

    private const SIGN_INS_PER_MINUTE = 10;

    /** A school's teachers may all come from one address; a machine that guesses tries more. */
    private const SIGN_INS_PER_MINUTE_FROM_ONE_PLACE = 60;

    /** A bench at x60 with two screens open stays well below this. */
    private const REQUESTS_PER_MINUTE = 3000;

    public function register(): void
    {
        Connection::resolverFor('mariadb', static fn (mixed ...$with): ExactConnection => new ExactConnection(...$with));
        $this->app->singleton(RecorderClient::class, static fn (): RecorderClient => new RecorderClient(
            new Doors(config()->string('welkion.sockets')),
            config()->string('welkion.recorder.token'),
        ));
        $this->app->alias(RecorderClient::class, RunListener::class);
        $this->app->singleton('session', static fn (Application $app): Sessions => new Sessions($app));
        $this->app->singleton(PublishSocket::class, static fn (): PublishSocket => new PublishSocket(config()->string('welkion.sockets').'/publish.sock'));
        if (! $this->app->runningInConsole()) {
            $this->app->singleton(LostConnectionDetector::class, NoSecondTry::class);
        }
        $this->app->bind(Sender::class, static fn (Application $app): Sender => SenderOf::request($app->make(Request::class)));
        $this->app->singleton(TableFiles::class, static fn (): TableFiles => new TableFiles(storage_path('files')));
        $this->app->singleton(AwayMark::class, static fn (): AwayMark => new AwayMark(storage_path('framework/database-away')));
    }

    public function boot(): void
    {
        Model::preventLazyLoading(! app()->environment('production'));
        Model::preventSilentlyDiscardingAttributes();
        JsonResource::withoutWrapping();
        // Addresses without a host: the page works behind whatever name and port it is reached by.
        Vite::createAssetPathsUsing(static fn (string $path): string => '/'.ltrim($path, '/'));
        Route::bind('protocol', static fn (string $key): LibraryProtocol => app(ProtocolLibrary::class)->find($key) ?? abort(404));
        RateLimiter::for('sign-in', static function (Request $request): array {
            $email = $request->input('email');

            return [
                Limit::perMinute(self::SIGN_INS_PER_MINUTE)->by('address '.EmailAddress::normalised(is_string($email) ? $email : '')),
                Limit::perMinute(self::SIGN_INS_PER_MINUTE_FROM_ONE_PLACE)->by("place {$request->ip()}"),
            ];
        });
        RateLimiter::for('bench-trials', static fn (Request $request): Limit => Limit::perMinute(self::BENCH_TRIALS_PER_MINUTE)
            ->by('trial '.(string) ($request->user()?->getAuthIdentifier() ?? $request->ip())));
        RateLimiter::for('api', static fn (Request $request): Limit => Limit::perMinute(self::REQUESTS_PER_MINUTE)
            ->by((string) ($request->user()?->getAuthIdentifier() ?? (self::isOnlooker($request) ? $request->session()->getId() : $request->ip()))));
    }

    /** A class of onlookers behind one address is no single guest. */
    private static function isOnlooker(Request $request): bool
    {
        return $request->hasSession() && $request->session()->has(WatchDoor::SESSION_KEY);
    }
}
