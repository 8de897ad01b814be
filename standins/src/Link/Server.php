<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

use React\EventLoop\LoopInterface;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;

/**
 * A TCP server around the benches of a building: one JSON text a line, readings to everyone who listens.
 *
 * Behind one port may stand several benches in several rooms; a listener belongs to the one it names in its "hello", or to the first.
 */
final class Server
{
    private const TICK_S = 0.01;

    private const LONGEST_LINE = 4096;

    /** So long a bench waits for someone who takes nothing any more; whoever comes back can ask for what was missed. */
    public const PATIENCE_S = 10.0;

    /** @var \SplObjectStorage<ConnectionInterface, array{string, string}> each listener: its bench, the piece of a line it has sent so far */
    private \SplObjectStorage $listeners;

    /** @var \SplObjectStorage<ConnectionInterface, float> since when a listener takes nothing more, clock on the wall in s */
    private \SplObjectStorage $full;

    public function __construct(
        private readonly Building $building,
        string $address,
        LoopInterface $loop,
        private readonly float $patienceS = self::PATIENCE_S,
    ) {
        $this->listeners = new \SplObjectStorage;
        $this->full = new \SplObjectStorage;
        $server = new TcpServer($address, $loop);
        $server->on('connection', $this->welcome(...));
        $loop->addPeriodicTimer(self::TICK_S, fn () => $this->send(microtime(true)));
    }

    private function welcome(ConnectionInterface $connection): void
    {
        $this->listeners[$connection] = [$this->building->first(), ''];
        $connection->on('data', fn (string $data) => $this->hear($connection, $data));
        $connection->on('drain', fn () => $this->full->detach($connection));
        $connection->on('close', function () use ($connection): void {
            $this->listeners->detach($connection);
            $this->full->detach($connection);
        });
    }

    private function hear(ConnectionInterface $connection, string $data): void
    {
        // What fell due before a question goes out before its answer, up to the same moment: a reading never overtakes
        // an act, and none is made later for a time before it.
        $now = microtime(true);
        $this->send($now);
        // Who took nothing for too long has been let go with that.
        if (! $this->listeners->contains($connection)) {
            return;
        }
        [$bench, $piece] = $this->listeners[$connection];
        $lines = explode("\n", $piece.$data);
        $rest = array_pop($lines);
        if (strlen($rest) > self::LONGEST_LINE) {
            $connection->end(self::line(['told' => 'problem', 'problem' => 'A line may have at most 4096 bytes.']));

            return;
        }
        foreach ($lines as $line) {
            $bench = $this->benchNamedIn($line) ?? $bench;
            foreach ($this->building->bench($bench)->answer($line, $now) as $message) {
                $connection->write(self::line($message));
            }
        }
        $this->listeners[$connection] = [$bench, $rest];
    }

    private function benchNamedIn(string $line): ?string
    {
        $message = str_contains($line, '"hello"') ? json_decode($line, true) : null;
        $name = is_array($message) ? $message['bench'] ?? null : null;

        return is_string($name) && $this->building->has($name) ? $name : null;
    }

    private function send(float $now): void
    {
        $listening = $this->listenersByBench();
        foreach ($this->building->benches() as $bench => $device) {
            $listeners = $listening[$bench] ?? [];
            if ($this->isAnyFull($listeners, $now)) {
                $device->wait($now);

                continue;
            }
            foreach ([...$device->announcements(), ...$device->due($now)] as $message) {
                $line = self::line($message);
                foreach ($listeners as $connection) {
                    if (! $connection->write($line) && ! $this->full->contains($connection)) {
                        $this->full[$connection] = $now;
                    }
                }
            }
        }
        $this->building->clear(array_keys($listening), $now);
    }

    /** @return array<string, non-empty-list<ConnectionInterface>> */
    private function listenersByBench(): array
    {
        $listening = [];
        foreach ($this->listeners as $listener) {
            $listening[$this->listeners[$listener][0]][] = $listener;
        }

        return $listening;
    }

    /** @param  list<ConnectionInterface>  $listeners  whoever has been full for too long is let go */
    private function isAnyFull(array $listeners, float $now): bool
    {
        $full = array_filter($listeners, $this->full->contains(...));
        foreach ($full as $listener) {
            $now - $this->full[$listener] > $this->patienceS && $listener->close();
        }

        return $full !== [];
    }

    /** @param  array<array-key, mixed>  $message */
    private static function line(array $message): string
    {
        return json_encode($message, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }
}
