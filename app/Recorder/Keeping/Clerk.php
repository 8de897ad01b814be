<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

use Psr\Log\LoggerInterface;
use React\ChildProcess\Process;
use React\EventLoop\LoopInterface;
use React\Promise\Deferred;
use React\Promise\PromiseInterface;
use React\Stream\WritableStreamInterface;

/**
 * Asks MariaDB on behalf of the recorder, in a process of its own ("welkion:keep"): a database that hangs then keeps
 * nobody from listening to the probes.
 *
 * Questions are answered one after the other, in order. A question that found the database away is rejected; so is one
 * that was still open when the process died, which may or may not have been done.
 */
final class Clerk
{
    /** Connecting, asking, connecting again and asking again all end before this; a process that is slower is ended. */
    private const SLOWEST_S = 30.0;

    private const STARTED_AGAIN_AFTER_S = 0.3;

    /** A question that is open for so long has found nobody. */
    private const SILENT_AFTER_S = 2.0;

    /** An answer longer than this is none. */
    private const LONGEST_ANSWER = 64 << 20;

    private ?Process $process = null;

    private ?WritableStreamInterface $in = null;

    private string $heard = '';

    private int $nextId = 1;

    private bool $isClosed = false;

    private bool $hasFoundItAway = false;

    /** @var array<int, array{Deferred<mixed>, float}> open questions and when they were asked */
    private array $open = [];

    public function __construct(
        private readonly LoopInterface $loop,
        private readonly LoggerInterface $log,
        private readonly string $command,
        private readonly string $folder,
    ) {
    }

    public function start(): void
    {
        $process = new Process('exec '.$this->command, $this->folder);
        $process->start($this->loop);
        $this->process = $process;
        $this->heard = '';
        if ($process->stdin instanceof WritableStreamInterface) {
            $this->in = $process->stdin;
        }
        $process->stdout?->on('data', $this->hear(...));
        $process->stderr?->on('data', static fn (string $said) => fwrite(STDERR, $said));
        $process->on('exit', function () use ($process): void {
            if ($this->process === $process) {
                $this->ended();
            }
        });
    }

    /** Called now and then: ends a process that answers nothing any more. */
    public function tend(float $now): void
    {
        $oldest = reset($this->open);
        if ($oldest !== false && $now - $oldest[1] > self::SLOWEST_S) {
            $this->log->warning('The process that asks MariaDB answered nothing for long; it is started again.');
            $this->process?->terminate(SIGKILL);
        }
    }

    /** Whether MariaDB could not be asked when it was last tried, or has not answered for a while. */
    public function isStorageAway(float $now): bool
    {
        $oldest = reset($this->open);

        return $this->hasFoundItAway || ($oldest !== false && $now - $oldest[1] > self::SILENT_AFTER_S);
    }

    public function close(): void
    {
        $this->isClosed = true;
        $this->in?->end();
        $this->process?->terminate(SIGTERM);
    }

    /**
     * @param  string  $task  a public method of Desk
     * @param  list<mixed>  $with  its arguments
     * @return PromiseInterface<mixed> what it returns, never at once; rejected with ClerkUnable
     */
    public function ask(string $task, array $with): PromiseInterface
    {
        $id = $this->nextId++;
        /** @var Deferred<mixed> $deferred */
        $deferred = new Deferred;
        if ($this->in === null || $this->process?->isRunning() !== true) {
            $this->hasFoundItAway = true;
            $this->loop->futureTick(static fn () => $deferred->reject(ClerkUnable::away('The process that asks MariaDB is starting.')));

            return $deferred->promise();
        }
        $this->open[$id] = [$deferred, microtime(true)];
        $this->in->write(Message::line([$id, $task, $with]));

        return $deferred->promise();
    }

    private function hear(string $data): void
    {
        $this->heard .= $data;
        if (strlen($this->heard) > self::LONGEST_ANSWER) {
            $this->process?->terminate(SIGKILL);

            return;
        }
        if (! str_contains($data, "\n")) {
            return;
        }
        $lines = explode("\n", $this->heard);
        $this->heard = array_pop($lines);
        foreach ($lines as $line) {
            [$id, $outcome, $result] = Message::read($line);
            $this->settle((int) $id, (string) $outcome, $result);
        }
    }

    private function settle(int $id, string $outcome, mixed $result): void
    {
        if (! isset($this->open[$id])) {
            return;
        }
        [$deferred] = $this->open[$id];
        unset($this->open[$id]);
        $this->hasFoundItAway = $outcome === Message::AWAY;
        match ($outcome) {
            Message::DONE => $deferred->resolve($result),
            Message::AWAY => $deferred->reject(ClerkUnable::away((string) $result)),
            default => $deferred->reject(ClerkUnable::refused((string) $result)),
        };
    }

    private function ended(): void
    {
        $this->process = $this->in = null;
        foreach (array_keys($this->open) as $id) {
            $this->settle($id, Message::AWAY, 'The process that asks MariaDB ended.');
        }
        if (! $this->isClosed) {
            $this->loop->addTimer(self::STARTED_AGAIN_AFTER_S, $this->start(...));
        }
    }
}
