<?php

declare(strict_types=1);

namespace App\Live;

/** The door of the web server through which live messages are handed in. */
final readonly class PublishSocket
{
    private const WITHIN_S = 0.5;

    public function __construct(private string $path)
    {
    }

    /** @return string|null what it answers; null if it does not */
    public function ask(string $method, string $channel, string $body = ''): ?string
    {
        $socket = @stream_socket_client("unix://{$this->path}", timeout: self::WITHIN_S);
        if ($socket === false) {
            return null;
        }
        stream_set_timeout($socket, 0, (int) (self::WITHIN_S * 1e6));
        fwrite($socket, "{$method} /publish/{$channel} HTTP/1.0\r\nAccept: text/json\r\nContent-Type: application/json\r\nContent-Length: ".strlen($body)."\r\n\r\n{$body}");
        $answer = stream_get_contents($socket);
        fclose($socket);

        return $answer === false ? null : $answer;
    }
}
