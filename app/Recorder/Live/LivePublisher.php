<?php

declare(strict_types=1);

namespace App\Recorder\Live;

use React\EventLoop\LoopInterface;
use React\Socket\ConnectionInterface;
use React\Socket\UnixConnector;

/**
 * Hands live values to the web server, over one connection that stays open.
 *
 * Live values are only for looking at; what cannot be handed over at once is dropped, never waited for.
 */
final class LivePublisher
{
    private ?ConnectionInterface $connection = null;

    private bool $isConnecting = false;

    private bool $isFull = false;

    public function __construct(private readonly LoopInterface $loop, private readonly string $socket)
    {
    }

    public function publish(string $channel, string $json): void
    {
        if ($this->connection === null) {
            $this->connect();

            return;
        }
        if ($this->isFull) {
            return;
        }
        $this->isFull = ! $this->connection->write(
            "POST /publish/{$channel} HTTP/1.1\r\nHost: publish\r\nContent-Type: application/json\r\n"
            .'Content-Length: '.strlen($json)."\r\n\r\n".$json,
        );
    }

    private function connect(): void
    {
        if ($this->isConnecting) {
            return;
        }
        $this->isConnecting = true;
        (new UnixConnector($this->loop))->connect("unix://{$this->socket}")->then(
            function (ConnectionInterface $connection): void {
                $this->isConnecting = false;
                $this->connection = $connection;
                $this->isFull = false;
                $connection->on('data', static fn () => null);
                $connection->on('drain', function (): void {
                    $this->isFull = false;
                });
                $connection->on('close', function (): void {
                    $this->connection = null;
                });
            },
            function (): void {
                $this->isConnecting = false;
            },
        );
    }
}
