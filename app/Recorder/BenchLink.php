<?php

declare(strict_types=1);

namespace App\Recorder;

use React\EventLoop\LoopInterface;
use React\Socket\ConnectionInterface;
use React\Socket\TcpConnector;

/** The recorder's end of the probe link to one bench: connects, connects again, and passes on what is said. */
final class BenchLink
{
    private const RETRY_S = 0.3;

    private const ANSWER_WITHIN_S = 2.0;

    /** A device that sends more than this without a line end does not speak the probe link. */
    private const LONGEST_LINE = 8_000_000;

    private ?ConnectionInterface $connection = null;

    private string $rest = '';

    private int $nextId = 1;

    private bool $isClosed = false;

    /** @var array<int, \Closure(array<array-key, mixed>): void> */
    private array $waiting = [];

    /**
     * @param  string|null  $bench  the bench meant, where several stand behind one port
     * @param  \Closure(array<array-key, mixed>, bool): void  $onChannels  what is plugged in; true: at a first greeting
     * @param  \Closure(Pack): void  $onPack
     * @param  \Closure(string): void  $onResumed  the channel whose missed readings follow, if any are left
     * @param  \Closure(): void  $onLost
     */
    public function __construct(
        private readonly LoopInterface $loop,
        private readonly string $address,
        private readonly ?string $bench,
        private readonly \Closure $onChannels,
        private readonly \Closure $onPack,
        private readonly \Closure $onResumed,
        private readonly \Closure $onLost,
    ) {
    }

    public function open(): void
    {
        if ($this->isClosed) {
            return;
        }
        (new TcpConnector($this->loop))->connect($this->address)->then(
            $this->connected(...),
            fn () => $this->loop->addTimer(self::RETRY_S, $this->open(...)),
        );
    }

    public function close(): void
    {
        $this->isClosed = true;
        $this->connection?->close();
    }

    public function isConnected(): bool
    {
        return $this->connection !== null;
    }

    /** @param  array<string, mixed>  $message */
    public function say(array $message): void
    {
        $this->connection?->write(json_encode($message, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n");
    }

    /**
     * Says something that is answered; the answer holds "problem" when it was refused or nobody answered.
     *
     * @param  array<string, mixed>  $message
     * @param  \Closure(array<array-key, mixed>): void  $then
     */
    public function ask(array $message, \Closure $then): void
    {
        if ($this->connection === null) {
            $then(['problem' => 'The bench is not connected. Check that it is switched on.']);

            return;
        }
        $id = $this->nextId++;
        $this->waiting[$id] = $then;
        $this->loop->addTimer(self::ANSWER_WITHIN_S, fn () => $this->settle($id, [
            'problem' => 'The bench did not answer. Try again.',
        ]));
        $this->say($message + ['id' => $id]);
    }

    private function connected(ConnectionInterface $connection): void
    {
        if ($this->isClosed) {
            $connection->close();

            return;
        }
        $this->connection = $connection;
        $this->rest = '';
        $connection->on('data', $this->hear(...));
        $connection->on('close', $this->lost(...));
        $this->say(['do' => 'hello'] + ($this->bench === null ? [] : ['bench' => $this->bench]));
    }

    private function lost(): void
    {
        $this->connection = null;
        foreach (array_keys($this->waiting) as $id) {
            $this->settle($id, ['problem' => 'The bench was lost before it answered.']);
        }
        ($this->onLost)();
        $this->loop->addTimer(self::RETRY_S, $this->open(...));
    }

    private function hear(string $data): void
    {
        $lines = explode("\n", $this->rest.$data);
        $this->rest = array_pop($lines);
        if (strlen($this->rest) > self::LONGEST_LINE) {
            $this->connection?->close();

            return;
        }
        foreach ($lines as $line) {
            $message = json_decode($line, true);
            if (is_array($message)) {
                $this->understand($message);
            }
        }
    }

    /** @param  array<array-key, mixed>  $message */
    private function understand(array $message): void
    {
        if (array_is_list($message)) {
            $pack = Pack::from($message);
            if ($pack !== null) {
                ($this->onPack)($pack);
            }

            return;
        }
        $told = $message['told'] ?? null;
        if ($told === 'hello' || $told === 'channels') {
            ($this->onChannels)($message, $told === 'hello');
        }
        if ($told === 'resume' && is_string($message['channel'] ?? null)) {
            ($this->onResumed)($message['channel']);
        }
        if (is_int($message['id'] ?? null)) {
            $this->settle($message['id'], $message);
        }
    }

    /** @param  array<array-key, mixed>  $answer */
    private function settle(int $id, array $answer): void
    {
        $then = $this->waiting[$id] ?? null;
        unset($this->waiting[$id]);
        if ($then !== null) {
            $then($answer);
        }
    }
}
