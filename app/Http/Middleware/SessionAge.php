<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Ends a session nobody has used for long: after half a day, or after a month for who chose to stay signed in. One who did
 * not choose it is also signed out when the browser is closed.
 */
final class SessionAge
{
    /** In the session: whether its owner chose to stay signed in. */
    public const STAYS = 'stays_signed_in';

    private const SEEN_AT = 'seen_at';

    private const IDLE_S = 12 * 3600;

    /** Not each request needs to be told apart. */
    private const TOLD_EACH_S = 60;

    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        $session = $request->session();
        $seenAt = $session->get(self::SEEN_AT);
        if (is_int($seenAt) && time() - $seenAt > self::IDLE_S && $session->get(self::STAYS) !== true) {
            $session->invalidate();
        }
        $seenAt = $session->get(self::SEEN_AT);
        if (! is_int($seenAt) || time() - $seenAt >= self::TOLD_EACH_S) {
            $session->put(self::SEEN_AT, time());
        }
        $response = $next($request);
        // How long the cookie lasts is decided after this, when it is made.
        config(['session.expire_on_close' => $session->get(self::STAYS) !== true]);

        return $response;
    }
}
