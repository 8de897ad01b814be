<?php

declare(strict_types=1);

namespace App\Recorder;

use React\EventLoop\LoopInterface;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;

/** Takes questions of the web application on loopback: one JSON line each, with the shared token, one answer back. */
final class ControlServer
{
    private const LONGEST_LINE = 65536;

    public function __construct(
        private readonly Recorder $recorder,
        private readonly string $token,
        int $port,
        LoopInterface $loop,
    ) {
        (new TcpServer("127.0.0.1:{$port}", $loop))->on('connection', $this->welcome(...));
    }

    private function welcome(ConnectionInterface $connection): void
    {
        $heard = '';
        $connection->on('data', function (string $data) use ($connection, &$heard): void {
            $heard .= $data;
            $end = strpos($heard, "\n");
            if ($end === false) {
                if (strlen($heard) > self::LONGEST_LINE) {
                    $connection->close();
                }

                return;
            }
            $this->hear($connection, substr($heard, 0, $end));
            $heard = '';
        });
    }

    private function hear(ConnectionInterface $connection, string $line): void
    {
        $question = json_decode($line, true);
        $token = is_array($question) && is_string($question['token'] ?? null) ? $question['token'] : '';
        if (! is_array($question) || $this->token === '' || ! hash_equals($this->token, $token)) {
            $connection->end(json_encode(['problem' => 'Not allowed.'])."\n");

            return;
        }
        $this->recorder->answer($question, static function (array $answer) use ($connection): void {
            $connection->end(json_encode($answer, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n");
        });
    }
}
