<?php

declare(strict_types=1);

namespace App\Live;

/** How many devices watch a board at this moment, as the web server counts them. */
final readonly class Onlookers
{
    private const WITHIN_S = 0.3;

    public function __construct(private string $socket)
    {
    }

    /** @return int|null null if it cannot be told */
    public function of(int $watchId): ?int
    {
        $socket = @stream_socket_client("unix://{$this->socket}", timeout: self::WITHIN_S);
        if ($socket === false) {
            return null;
        }
        stream_set_timeout($socket, 0, (int) (self::WITHIN_S * 1e6));
        fwrite($socket, "GET /publish/watch-{$watchId} HTTP/1.0\r\nAccept: text/json\r\n\r\n");
        $answer = (string) stream_get_contents($socket);
        fclose($socket);
        $told = json_decode((string) strstr($answer, '{'), true);

        // A channel that nobody has asked for is not known to the web server.
        return is_array($told) && is_int($told['subscribers'] ?? null) ? $told['subscribers'] : 0;
    }
}
