<?php

declare(strict_types=1);

namespace App\Live;

use Illuminate\Support\Facades\DB;

/** Tells every open screen of an experiment that something of it has changed, so that it asks again. */
final readonly class ChangeNotice
{
    public function __construct(private PublishSocket $socket)
    {
    }

    /** Once it is stored. A screen that misses the notice asks again by itself when it is next looked at; so failure is no error. */
    public function experimentChanged(int $experimentId, int $revision, string $screen): void
    {
        $told = json_encode(['experimentId' => $experimentId, 'revision' => $revision, 'screen' => $screen], JSON_THROW_ON_ERROR);
        DB::afterCommit(fn () => $this->socket->ask('POST', "experiment-{$experimentId}", $told));
    }

    /** Onlookers of a board are told that it is closed; then their connections end. */
    public function watchClosed(int $watchId): void
    {
        DB::afterCommit(function () use ($watchId): void {
            $this->socket->ask('POST', "watch-{$watchId}", (string) json_encode(['watchId' => $watchId, 'isClosed' => true]));
            $this->socket->ask('DELETE', "watch-{$watchId}");
        });
    }
}
