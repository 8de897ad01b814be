<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Bench;
use App\Models\Experiment;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Answers the web server's question whether this browser may read a live channel: "bench-3" or "experiment-7". */
final class LiveController
{
    public function __invoke(Request $request): Response
    {
        $channel = $request->headers->get('X-Live-Channel') ?? '';
        if (preg_match('/^(bench|experiment)-(\d{1,18})$/', $channel, $match) !== 1) {
            return new Response(status: 403);
        }
        $subject = $match[1] === 'bench' ? Bench::query()->find((int) $match[2]) : Experiment::query()->find((int) $match[2]);
        $isAllowed = $subject !== null && $request->user()?->can('use', $subject) === true;

        return new Response(status: $isAllowed ? 204 : 403);
    }
}
