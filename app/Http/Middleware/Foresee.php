<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * Answers what a change would make, and makes none: all of it is taken back before it is stored, and what waits for that is
 * never told to anybody. So a screen can ask while a person still says why, and shows it at the press.
 */
final readonly class Foresee
{
    public const HEADER = 'Foresee';

    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        if ($request->header(self::HEADER) !== 'yes') {
            return $next($request);
        }
        DB::beginTransaction();
        try {
            return $next($request);
        } finally {
            DB::rollBack();
        }
    }
}
