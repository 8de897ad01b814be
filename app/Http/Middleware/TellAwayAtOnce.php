<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Storage\AwayMark;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Stands before the session, the first thing that needs the database. */
final readonly class TellAwayAtOnce
{
    public function __construct(private AwayMark $mark)
    {
    }

    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        $this->mark->check();

        return $next($request);
    }
}
