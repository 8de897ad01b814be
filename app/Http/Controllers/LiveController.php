<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Bench;
use App\Models\Experiment;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Answers the web server's question whether this browser may read live channels: "bench-3", or "bench-3,experiment-7". */
final class LiveController
{
    private const MOST_CHANNELS = 12;

    public function __invoke(Request $request): Response
    {
        $channels = explode(',', $request->headers->get('X-Live-Channel') ?? '');
        $user = $request->user();
        $isAllowed = $user !== null && count($channels) <= self::MOST_CHANNELS;
        foreach ($isAllowed ? $channels : [] as $channel) {
            $subject = self::subject($channel);
            $isAllowed = $isAllowed && $subject !== null && $user->can('use', $subject);
        }

        return new Response(status: $isAllowed ? 204 : 403);
    }

    private static function subject(string $channel): Bench|Experiment|null
    {
        if (preg_match('/^(bench|experiment)-(\d{1,18})$/', $channel, $match) !== 1) {
            return null;
        }

        return $match[1] === 'bench' ? Bench::query()->find((int) $match[2]) : Experiment::query()->find((int) $match[2]);
    }
}
