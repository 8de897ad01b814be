<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

use React\EventLoop\LoopInterface;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;

/** A TCP server around a device: one JSON text a line, readings to everyone who listens. */
final class Server
{
    private const TICK_S = 0.01;

    private const LONGEST_LINE = 4096;

    /** @var \SplObjectStorage<ConnectionInterface, string> each listener with the piece of a line it has sent so far */
    private \SplObjectStorage $listeners;

    public function __construct(private readonly Device $device, string $address, LoopInterface $loop)
    {
        $this->listeners = new \SplObjectStorage;
        $server = new TcpServer($address, $loop);
        $server->on('connection', $this->welcome(...));
        $loop->addPeriodicTimer(self::TICK_S, $this->send(...));
    }

    private function welcome(ConnectionInterface $connection): void
    {
        $this->listeners[$connection] = '';
        $connection->on('data', fn (string $data) => $this->hear($connection, $data));
        $connection->on('close', fn () => $this->listeners->detach($connection));
    }

    private function hear(ConnectionInterface $connection, string $data): void
    {
        // What fell due before a question goes out before its answer: a reading never overtakes an act.
        $this->send();
        $lines = explode("\n", $this->listeners[$connection].$data);
        $rest = array_pop($lines);
        if (strlen($rest) > self::LONGEST_LINE) {
            $connection->end(self::line(['told' => 'problem', 'problem' => 'A line may have at most 4096 bytes.']));

            return;
        }
        $this->listeners[$connection] = $rest;
        foreach ($lines as $line) {
            foreach ($this->device->answer($line, microtime(true)) as $message) {
                $connection->write(self::line($message));
            }
        }
    }

    private function send(): void
    {
        foreach ($this->device->due(microtime(true)) as $pack) {
            foreach ($this->listeners as $connection) {
                $connection->write(self::line($pack));
            }
        }
    }

    /** @param  array<array-key, mixed>  $message */
    private static function line(array $message): string
    {
        return json_encode($message, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }
}
