<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Exceptions\Refusal;
use App\Models\Run;
use App\Models\Watch;
use App\Watching\WatchDoor;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets those through who have typed the code of a board, as long as it is open, to what is on it. */
final readonly class Watching
{
    public function __construct(private WatchDoor $door)
    {
    }

    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        $watch = $request->route('watch');
        $watch instanceof Watch || abort(404);
        if (! $this->door->wasLetIn($watch)) {
            throw Refusal::notLetIn();
        }
        if (! $watch->isOpen()) {
            throw Refusal::boardClosed();
        }
        $run = $request->route('run');
        if ($run instanceof Run && ($run->experiment_id !== $watch->experiment_id || $run->thrown_away_at !== null)) {
            abort(404);
        }

        return $next($request);
    }
}
