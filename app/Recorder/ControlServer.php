<?php

declare(strict_types=1);

namespace App\Recorder;

use React\EventLoop\LoopInterface;
use React\Socket\ConnectionInterface;
use React\Socket\LimitingServer;
use React\Socket\UnixServer;

/**
 * Takes questions of the web application over a private socket: one JSON line each, with the shared token, one answer back.
 *
 * Who connects and asks nothing is sent away; and there is room for so many at a time that the others find a place.
 */
final class ControlServer
{
    private const LONGEST_LINE = 65536;

    private const MOST_AT_A_TIME = 200;

    private const QUESTION_WITHIN_S = 5.0;

    public function __construct(
        private readonly Recorder $recorder,
        private readonly string $token,
        string $socket,
        private readonly LoopInterface $loop,
    ) {
        // Left by a recorder that was killed.
        @unlink($socket);
        (new LimitingServer(new UnixServer("unix://{$socket}", $loop), self::MOST_AT_A_TIME, true))->on('connection', $this->welcome(...));
    }

    private function welcome(ConnectionInterface $connection): void
    {
        $heard = '';
        $isAsked = false;
        $impatience = $this->loop->addTimer(self::QUESTION_WITHIN_S, $connection->close(...));
        $connection->on('close', fn () => $this->loop->cancelTimer($impatience));
        $connection->on('data', function (string $data) use ($connection, $impatience, &$heard, &$isAsked): void {
            if ($isAsked) {
                return;
            }
            $heard .= $data;
            $end = strpos($heard, "\n");
            if ($end === false) {
                if (strlen($heard) > self::LONGEST_LINE) {
                    $connection->close();
                }

                return;
            }
            $isAsked = true;
            $this->loop->cancelTimer($impatience);
            $this->hear($connection, substr($heard, 0, $end));
        });
    }

    private function hear(ConnectionInterface $connection, string $line): void
    {
        $question = json_decode($line, true, 16);
        $token = is_array($question) && is_string($question['token'] ?? null) ? $question['token'] : '';
        if (! is_array($question) || $this->token === '' || ! hash_equals($this->token, $token)) {
            $connection->end(json_encode(['problem' => 'Not allowed.'])."\n");

            return;
        }
        $this->recorder->answer($question, static function (array $answer) use ($connection): void {
            $connection->end(json_encode($answer, JSON_UNESCAPED_UNICODE | JSON_PARTIAL_OUTPUT_ON_ERROR)."\n");
        });
    }
}
