<?php

declare(strict_types=1);

namespace Welkion\Gateway;

use Welkion\Standins\Link\Speaker;

/**
 * Lines of numbers from a serial port as a bench: the first number belongs to the first channel, and so on. They are stamped when
 * they come; the clock of this computer is the clock of the bench.
 */
final class SerialDevice implements Speaker
{
    private const VERSION = 1;

    private const KEPT_S = 120.0;

    /** A reading this much of an interval early still is the one that is due: devices do not keep time so well. */
    private const EARLY = 0.35;

    /** @var array<string, float> rate in Hz by channel that is read */
    private array $rates = [];

    /** @var array<string, float> when the next reading is due, by channel */
    private array $dueAt = [];

    /** @var array<string, int> */
    private array $nextSeq = [];

    /** @var array<string, list<array{seq: int, t: float, v: float}>> what a recorder may ask for again, by channel */
    private array $kept = [];

    /** @var array<string, non-empty-list<array{seq: int, t: float, v: float}>> not sent yet, by channel */
    private array $pending = [];

    private int $unread = 0;

    public function __construct(private readonly SerialFile $file, float $startedAt)
    {
        foreach ($file->channels as $channel) {
            // Microseconds of the clock: after a restart numbers go on above the old ones.
            $this->nextSeq[$channel->name] = (int) ($startedAt * 1e6);
        }
    }

    /** Takes one line as the device printed it; what is no number is passed over, and its channel misses this reading. */
    public function take(string $line, float $now): void
    {
        $fields = preg_split('/[,;\s]+/', trim($line), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($this->file->channels as $place => $channel) {
            $value = $fields[$place] ?? '';
            if (! is_numeric($value) || ! is_finite((float) $value)) {
                $this->unread++;

                continue;
            }
            $rate = $this->rates[$channel->name] ?? null;
            $due = $this->dueAt[$channel->name] ?? $now;
            if ($rate !== null && $now >= $due - self::EARLY / $rate) {
                $this->dueAt[$channel->name] = max($due, $now - 1.0 / $rate) + 1.0 / $rate;
                $this->pass($channel->name, (float) $value, $now);
            }
        }
    }

    /** How many numbers could not be read since this was asked last. */
    public function takeUnread(): int
    {
        $unread = $this->unread;
        $this->unread = 0;

        return $unread;
    }

    public function answer(string $line, float $now): array
    {
        $message = json_decode($line, true);
        $do = is_array($message) && is_string($message['do'] ?? null) ? $message['do'] : '';
        $name = is_array($message) && is_string($message['channel'] ?? null) ? $message['channel'] : '';
        if (in_array($do, ['stream', 'stop', 'resume'], true) && ! isset($this->nextSeq[$name])) {
            return [$this->problem($message, "There is no channel \"{$name}\" on this bench.")];
        }

        return match ($do) {
            'hello' => [[
                'told' => 'hello', 'link' => self::VERSION, 'bench' => $this->file->bench, 'simulated' => false, 'clock' => $now,
                'channels' => array_map(static fn (SerialChannel $c): array => $c->told(), $this->file->channels),
            ]],
            'stream' => [$this->stream($name, $message['rate'] ?? null, $message)],
            'stop' => [$this->stop($name)],
            'resume' => $this->resume($name, $message['after'] ?? null),
            default => [$this->problem($message, "\"{$do}\" is not known here.")],
        };
    }

    public function announcements(): array
    {
        return [];
    }

    public function due(float $now): array
    {
        $packs = [];
        foreach ($this->pending as $name => $readings) {
            $packs[] = $this->pack($name, $readings);
        }
        $this->pending = [];

        return $packs;
    }

    /** Time goes on at a real device; what it prints meanwhile is pending. */
    public function wait(float $now): void
    {
    }

    private function pass(string $name, float $value, float $now): void
    {
        $reading = ['seq' => $this->nextSeq[$name]++, 't' => $now, 'v' => $value];
        $this->pending[$name][] = $reading;
        $this->kept[$name][] = $reading;
        if ($now - $this->kept[$name][0]['t'] > 1.25 * self::KEPT_S) {
            $this->kept[$name] = array_values(array_filter($this->kept[$name], static fn (array $r): bool => $now - $r['t'] <= self::KEPT_S));
        }
    }

    /** @return array<string, mixed> */
    private function stream(string $name, mixed $rate, mixed $message): array
    {
        if (! is_int($rate) && ! is_float($rate) || $rate <= 0) {
            return $this->problem($message, 'A rate is a number of readings a second, above 0.');
        }
        $this->rates[$name] = (float) $rate;
        unset($this->dueAt[$name]);

        return ['told' => 'stream', 'channel' => $name, 'rate' => $rate];
    }

    /** @return array<string, mixed> */
    private function stop(string $name): array
    {
        unset($this->rates[$name]);

        return ['told' => 'stop', 'channel' => $name];
    }

    /** @return list<array<array-key, mixed>> */
    private function resume(string $name, mixed $after): array
    {
        $missed = array_values(array_filter($this->kept[$name] ?? [], static fn (array $r): bool => $r['seq'] > (is_int($after) ? $after : 0)));
        $answer = ['told' => 'resume', 'channel' => $name, 'count' => count($missed)];

        return $missed === [] ? [$answer] : [$answer, $this->pack($name, $missed)];
    }

    /**
     * @param  non-empty-list<array{seq: int, t: float, v: float}>  $readings
     * @return list<array<string, mixed>>
     */
    private function pack(string $name, array $readings): array
    {
        $base = $readings[0]['t'];
        $records = array_map(static fn (array $r): array => ['n' => $name, 't' => round($r['t'] - $base, 6), 'v' => $r['v'], 'seq' => $r['seq']], $readings);
        foreach ($this->file->channels as $channel) {
            if ($channel->name === $name) {
                $records[0] = ['bn' => "{$channel->serial}:", 'bt' => $base, 'bu' => $channel->unit] + $records[0];
            }
        }

        return $records;
    }

    /** @return array<string, mixed> */
    private function problem(mixed $message, string $sentence): array
    {
        return ['told' => 'problem', 'id' => is_array($message) ? $message['id'] ?? null : null, 'problem' => $sentence];
    }
}
