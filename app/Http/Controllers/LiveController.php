<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Watch;
use App\Watching\BoardChannels;
use App\Watching\WatchDoor;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Answers the web server's question whether this browser may read live channels: "bench-3", or "bench-3,experiment-7". */
final readonly class LiveController
{
    private const MOST_CHANNELS = 12;

    public function __construct(private WatchDoor $door)
    {
    }

    public function __invoke(Request $request): Response
    {
        $channels = explode(',', $request->headers->get('X-Live-Channel') ?? '');
        if (str_starts_with($channels[0], 'watch-')) {
            return new Response(status: $this->isOfBoard($channels) ? 204 : 403);
        }
        $user = $request->user();
        $isAllowed = $user !== null && count($channels) <= self::MOST_CHANNELS;
        foreach ($isAllowed ? $channels : [] as $channel) {
            $subject = self::subject($channel);
            $isAllowed = $isAllowed && $subject !== null && $user->can('use', $subject);
        }

        return new Response(status: $isAllowed ? 204 : 403);
    }

    /**
     * An onlooker hears of the board itself, of its experiment, and of the benches that are recorded from.
     *
     * @param  non-empty-list<string>  $channels  the board's own first
     */
    private function isOfBoard(array $channels): bool
    {
        $watch = preg_match('/^watch-(\d{1,18})$/', $channels[0], $match) === 1 ? Watch::query()->find((int) $match[1]) : null;
        if ($watch === null || ! $this->door->isLetIn($watch)) {
            return false;
        }
        $of = BoardChannels::of($watch->experiment->loadMissing('bench', 'beside', 'columns'));

        return array_diff($channels, [$channels[0], "experiment-{$watch->experiment_id}", "bench-{$of['benchId']}", "bench-{$of['besideId']}"]) === [];
    }

    private static function subject(string $channel): Bench|Experiment|null
    {
        if (preg_match('/^(bench|experiment)-(\d{1,18})$/', $channel, $match) !== 1) {
            return null;
        }

        return $match[1] === 'bench' ? Bench::query()->find((int) $match[2]) : Experiment::query()->find((int) $match[2]);
    }
}
