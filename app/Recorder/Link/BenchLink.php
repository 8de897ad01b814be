<?php

declare(strict_types=1);

namespace App\Recorder\Link;

use React\EventLoop\LoopInterface;
use React\EventLoop\TimerInterface;
use React\Socket\ConnectionInterface;
use React\Socket\Connector;

/**
 * The recorder's end of the probe link to one bench: connects, connects again, and passes on what is said.
 *
 * A device that breaks the rules is set aside: the line is cut, nothing of it stays, and it is tried again after a while,
 * each time a longer one.
 */
final class BenchLink
{
    private const RETRY_S = 0.3;

    /** A device that is out of reach answers nothing at all; the system would wait for minutes. */
    private const CONNECT_WITHIN_S = 3.0;

    private const ANSWER_WITHIN_S = 2.0;

    /** A device that is there but says nothing for so long does not speak the probe link. */
    private const GREETING_WITHIN_S = 5.0;

    private const ASIDE_FIRST_S = 2.0;

    private const ASIDE_LONGEST_S = 60.0;

    /** Who kept the rules for so long begins anew when it breaks them. */
    private const FORGIVEN_AFTER_S = 60.0;

    private ?ConnectionInterface $connection = null;

    private LineReader $lines;

    private DeviceConduct $conduct;

    private int $nextId = 1;

    private bool $isClosed = false;

    private bool $hasGreeted = false;

    private float $connectedAt = 0.0;

    private float $asideS = self::ASIDE_FIRST_S;

    private ?string $fault = null;

    private ?float $silentSince = null;

    private readonly Connector $connector;

    /** @var array<int, array{\Closure(array<array-key, mixed>): void, TimerInterface}> */
    private array $waiting = [];

    /**
     * @param  string|null  $bench  the bench meant, where several stand behind one port
     * @param  LinkEars  $ears  who hears what is said; an exception of theirs sets the device aside like one of its own
     */
    public function __construct(
        private readonly LoopInterface $loop,
        private readonly string $address,
        private readonly ?string $bench,
        private readonly LinkEars $ears,
    ) {
        $this->connector = new Connector(['timeout' => self::CONNECT_WITHIN_S, 'tls' => false, 'unix' => false], $loop);
    }

    public function open(): void
    {
        if ($this->isClosed) {
            return;
        }
        $this->connector->connect($this->address)->then(
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

    /** Why the device was set aside last; null once it has kept the rules for a while. */
    public function fault(float $now): ?string
    {
        if ($this->fault !== null && $this->connection !== null && $this->hasGreeted && $now - $this->connectedAt > self::FORGIVEN_AFTER_S) {
            $this->fault = null;
            $this->asideS = self::ASIDE_FIRST_S;
        }

        return $this->fault;
    }

    /** Cuts the line and tries again after a while. */
    public function setAside(string $why): void
    {
        $this->fault = $why;
        if ($this->connection === null) {
            return;
        }
        $this->ears->setAside($why);
        $this->connection->close();
    }

    /** It has fallen silent without a goodbye: it is greeted again on a new line, until it answers. */
    public function callAgain(float $silentSince): void
    {
        $this->silentSince ??= $silentSince;
        $this->connection?->close();
    }

    /** Since when it says nothing though it said no goodbye, wall clock; null while it answers. */
    public function silentSince(): ?float
    {
        return $this->silentSince;
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
        $this->waiting[$id] = [$then, $this->loop->addTimer(self::ANSWER_WITHIN_S, fn () => $this->settle($id, [
            'problem' => 'The bench did not answer. Try again.',
        ]))];
        // The number is ours alone: one that came along with the message would bring another's answer, or none.
        $this->say(['id' => $id] + $message);
    }

    private function connected(ConnectionInterface $connection): void
    {
        if ($this->isClosed) {
            $connection->close();

            return;
        }
        $now = microtime(true);
        $this->connection = $connection;
        $this->lines = new LineReader;
        $this->conduct = new DeviceConduct($now);
        $this->hasGreeted = false;
        $this->connectedAt = $now;
        $connection->on('data', $this->hear(...));
        $connection->on('close', $this->lost(...));
        $this->say(['do' => 'hello'] + ($this->bench === null ? [] : ['bench' => $this->bench]));
        $this->loop->addTimer(self::GREETING_WITHIN_S, function () use ($connection): void {
            if ($this->connection !== $connection || $this->hasGreeted) {
                return;
            }
            if ($this->silentSince !== null) {
                $connection->close();
            } else {
                $this->setAside(DeviceFault::because('did not answer "hello" within 5 s')->getMessage());
            }
        });
    }

    private function lost(): void
    {
        $isAside = $this->fault !== null && ! $this->hasKeptRules();
        $this->connection = null;
        $this->lines = new LineReader;
        foreach (array_keys($this->waiting) as $id) {
            $this->settle($id, ['problem' => 'The bench was lost before it answered.']);
        }
        $this->ears->lost();
        $this->loop->addTimer($isAside ? $this->asideS : self::RETRY_S, $this->open(...));
        if ($isAside) {
            $this->asideS = min(self::ASIDE_LONGEST_S, 2.0 * $this->asideS);
        }
    }

    private function hasKeptRules(): bool
    {
        return $this->fault(microtime(true)) === null;
    }

    private function hear(string $data): void
    {
        try {
            $now = microtime(true);
            $this->conduct->heard(strlen($data), $now);
            foreach ($this->lines->messages($data) as $message) {
                $this->understand($message, $now);
                if ($this->connection === null) {
                    return;
                }
            }
        } catch (DeviceFault $fault) {
            $this->setAside($fault->getMessage());
        } catch (\Throwable $failure) {
            $this->ears->failed($failure);
            $this->setAside('What it sent could not be worked with, and that is a mistake of Welkion; the log of the recorder says more.');
        }
    }

    /** @param  array<array-key, mixed>  $message */
    private function understand(array $message, float $now): void
    {
        if (array_is_list($message)) {
            $pack = Pack::from($message);
            $this->conduct->tookSamples(count($pack->samples), $now);
            // Where several benches stand behind one port, nobody knows before the greeting whose readings these are; what is missed comes again.
            $this->hasGreeted && $this->ears->take($pack);

            return;
        }
        $this->conduct->tookControlLine($now);
        $told = $message['told'] ?? null;
        if ($told === 'hello' || $told === 'channels') {
            $isGreeting = $told === 'hello';
            if ($isGreeting && $this->hasGreeted) {
                throw DeviceFault::because('said "hello" again without being asked');
            }
            $channels = ToldChannel::allIn($message['channels'] ?? []);
            $this->hasGreeted = $this->hasGreeted || $isGreeting;
            $this->silentSince = $isGreeting ? null : $this->silentSince;
            $this->conduct->toldOfChannels($now);
            $this->ears->plugged($channels, $message['world'] ?? null, $isGreeting);
        }
        if ($told === 'resume' && is_string($message['channel'] ?? null)) {
            $this->ears->resumed($message['channel']);
        }
        if (is_int($message['id'] ?? null)) {
            $this->settle($message['id'], $message);
        }
    }

    /** @param  array<array-key, mixed>  $answer */
    private function settle(int $id, array $answer): void
    {
        if (! isset($this->waiting[$id])) {
            return;
        }
        [$then, $timer] = $this->waiting[$id];
        unset($this->waiting[$id]);
        $this->loop->cancelTimer($timer);
        $then($answer);
    }
}
