<?php

declare(strict_types=1);

namespace App\Live;

use Illuminate\Support\Facades\DB;

/** Tells every open screen of an experiment that something of it has changed, so that it asks again. */
final readonly class ChangeNotice
{
    private const WITHIN_S = 0.5;

    public function __construct(private string $socket)
    {
    }

    /** Once it is stored. A screen that misses the notice asks again by itself when it is next looked at; so failure is no error. */
    public function experimentChanged(int $experimentId, int $revision, string $screen): void
    {
        DB::afterCommit(fn () => $this->tell($experimentId, ['experimentId' => $experimentId, 'revision' => $revision, 'screen' => $screen]));
    }

    /** Onlookers of a board are told that it is closed; then their connections end. */
    public function watchClosed(int $watchId): void
    {
        DB::afterCommit(function () use ($watchId): void {
            $this->send('POST', "watch-{$watchId}", (string) json_encode(['watchId' => $watchId, 'isClosed' => true]));
            $this->send('DELETE', "watch-{$watchId}", '');
        });
    }

    /** @param  array<string, int|string>  $told */
    private function tell(int $id, array $told): void
    {
        $this->send('POST', "experiment-{$id}", json_encode($told, JSON_THROW_ON_ERROR));
    }

    private function send(string $method, string $channel, string $body): void
    {
        $socket = @stream_socket_client("unix://{$this->socket}", timeout: self::WITHIN_S);
        if ($socket === false) {
            return;
        }
        fwrite($socket, "{$method} /publish/{$channel} HTTP/1.0\r\nContent-Type: application/json\r\n"
            .'Content-Length: '.strlen($body)."\r\n\r\n".$body);
        stream_set_timeout($socket, 0, (int) (self::WITHIN_S * 1e6));
        fgets($socket);
        fclose($socket);
    }
}
