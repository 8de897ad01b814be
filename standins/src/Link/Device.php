<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

use Welkion\Standins\World\ChannelDescription;
use Welkion\Standins\World\RefusedAct;
use Welkion\Standins\World\World;

/** Speaks the probe link for a world: answers control lines, makes packs of readings. See docs/probe-link.md. */
final class Device implements Speaker
{
    /** A line of so many readings has some 2 MB; one of two minutes at full speed would be longer than a recorder reads. */
    private const MOST_IN_A_PACK = 20_000;

    /** Of one moment: a bench that makes more than its machine can has to go slower, not to stop answering. */
    private const MOST_AT_ONCE = 20_000;

    /** What is gone on by comes in stretches of so many seconds, one a tick, so that listeners keep up. */
    private const SKIPPED_AT_ONCE_S = 10.0;

    private const LONGEST_SKIP_S = 3600.0;

    private const VERSION = 1;

    /** @var array<string, Sampler> */
    private array $samplers = [];

    private float $passedTo;

    /** Seconds by which the clock is still to go on at once. */
    private float $toSkipS = 0.0;

    /** @var list<string> serial numbers that listeners have been told of */
    private array $told;

    /** @param  \Closure(array<string, mixed>): void|null  $carry  carries a probe to another bench or back */
    public function __construct(
        private readonly World $world,
        private readonly Clock $clock,
        float $startedAt,
        private readonly ?\Closure $carry = null,
    ) {
        $this->passedTo = $clock->at($startedAt);
        $this->told = $this->serials();
    }

    public function announcements(): array
    {
        $serials = $this->serials();
        if ($serials === $this->told) {
            return [];
        }
        $this->told = $serials;
        $channels = $this->world->channels();
        $names = array_map(static fn (ChannelDescription $c): string => $c->name, $channels);
        $this->samplers = array_intersect_key($this->samplers, array_flip($names));

        return [['told' => 'channels', 'channels' => $channels, 'world' => $this->visible()]];
    }

    public function answer(string $line, float $now): array
    {
        $message = json_decode($line, true);
        if (! is_array($message) || ! is_string($message['do'] ?? null)) {
            return [['told' => 'problem', 'problem' => 'A line must be a JSON object with a text "do".']];
        }
        $this->passTo($now);
        try {
            return match ($message['do']) {
                'hello' => [$this->hello($now)],
                'stream' => [$this->stream($message, $now)],
                'stop' => [$this->stop($message)],
                'resume' => $this->resume($message),
                'act' => [$this->act($message, $now)],
                'tell' => [['told' => 'world', 'id' => $message['id'] ?? null, 'world' => $this->visible(), 'truth' => $this->world->truth()]],
                default => throw new RefusedAct("\"{$message['do']}\" is not known here."),
            };
        } catch (RefusedAct $refused) {
            return [['told' => 'problem', 'id' => $message['id'] ?? null, 'problem' => $refused->getMessage()]];
        }
    }

    public function due(float $now): array
    {
        $skipped = min($this->toSkipS, self::SKIPPED_AT_ONCE_S);
        $this->toSkipS -= $skipped;
        $this->clock->skip($skipped);
        $benchNow = $this->clock->at($now);
        $packs = [];
        for ($made = 0; ($next = $this->earliest()) !== null && $this->samplers[$next]->dueAt() <= $benchNow; $made++) {
            if ($made === self::MOST_AT_ONCE) {
                $this->wait($now);

                return $this->packed($packs);
            }
            $this->passWorld($this->samplers[$next]->dueAt());
            $packs[$next][] = $this->samplers[$next]->take($this->world->reading($next), $now);
        }
        $this->passWorld($benchNow);

        return $this->packed($packs);
    }

    public function wait(float $now): void
    {
        $this->clock->holdAt($this->passedTo, $now);
    }

    /** @return array<string, mixed> */
    private function hello(float $now): array
    {
        return [
            'told' => 'hello', 'link' => self::VERSION, 'bench' => $this->world->name(), 'simulated' => true,
            'clock' => $this->clock->at($now), 'channels' => $this->world->channels(), 'world' => $this->visible(),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $message
     * @return array<string, mixed>
     */
    private function stream(array $message, float $now): array
    {
        $name = $this->channelIn($message);
        $rate = $message['rate'] ?? null;
        $fastest = $this->fastestHz($name);
        if (! is_int($rate) && ! is_float($rate) || $rate <= 0 || $rate > $fastest) {
            throw new RefusedAct("The rate of \"{$name}\" must lie above 0 and at most {$fastest} Hz.");
        }
        if (isset($this->samplers[$name])) {
            $this->samplers[$name]->setRate((float) $rate);
        } else {
            // Microseconds of the wall clock: after a restart, or with its plug in again, numbers go on above the old ones.
            $this->samplers[$name] = new Sampler((int) ($now * 1e6), (float) $rate, $this->clock->at($now));
        }

        return ['told' => 'stream', 'channel' => $name, 'rate' => $rate];
    }

    /**
     * @param  array<array-key, mixed>  $message
     * @return array<string, mixed>
     */
    private function stop(array $message): array
    {
        $name = $this->channelIn($message);
        unset($this->samplers[$name]);

        return ['told' => 'stop', 'channel' => $name];
    }

    /**
     * @param  array<array-key, mixed>  $message
     * @return list<array<array-key, mixed>>
     */
    private function resume(array $message): array
    {
        $name = $this->channelIn($message);
        $after = is_int($message['after'] ?? null) ? $message['after'] : 0;
        $missed = ($this->samplers[$name] ?? null)?->after($after) ?? [];
        $answer = ['told' => 'resume', 'channel' => $name, 'count' => count($missed)];

        return [$answer, ...array_map(fn (array $some): array => $this->pack($name, $some), array_chunk($missed, self::MOST_IN_A_PACK))];
    }

    /**
     * @param  array<array-key, mixed>  $message
     * @return array<string, mixed>
     */
    private function act(array $message, float $now): array
    {
        $act = is_string($message['act'] ?? null) ? $message['act'] : '';
        if ($act === 'speed') {
            $speed = $message['times'] ?? null;
            if (! in_array($speed, Clock::SPEEDS, true)) {
                throw new RefusedAct('The bench can run at x1, x10 or x60.');
            }
            $this->clock->setSpeed($speed, $now);
        } elseif ($act === 'go-on') {
            $this->toSkipS += self::secondsIn($message);
        } elseif ($act === 'move' && $this->carry !== null) {
            /** @var array<string, mixed> $message */
            ($this->carry)($message);
        } else {
            /** @var array<string, mixed> $details */
            $details = array_filter($message, is_string(...), ARRAY_FILTER_USE_KEY);
            $this->world->act($act, $details);
        }

        return ['told' => 'act', 'id' => $message['id'] ?? null, 'world' => $this->visible()];
    }

    /** @param  array<array-key, mixed>  $message */
    private static function secondsIn(array $message): float
    {
        $seconds = $message['seconds'] ?? null;
        if (! is_int($seconds) && ! is_float($seconds) || $seconds <= 0 || $seconds > self::LONGEST_SKIP_S) {
            throw new RefusedAct('The bench can go on by up to '.self::LONGEST_SKIP_S.' s at once.');
        }

        return (float) $seconds;
    }

    /** @return array<string, mixed> */
    private function visible(): array
    {
        return ['speed' => $this->clock->speed()] + $this->world->visible();
    }

    /** @return list<string> */
    private function serials(): array
    {
        return array_map(static fn (ChannelDescription $c): string => "{$c->name} {$c->serial}", $this->world->channels());
    }

    /**
     * @param  array<string, non-empty-list<array{seq: int, t: float, v: float, wall: float}>>  $readings  by channel
     * @return list<list<array<string, mixed>>>
     */
    private function packed(array $readings): array
    {
        return array_map($this->pack(...), array_keys($readings), array_values($readings));
    }

    /**
     * @param  list<array{seq: int, t: float, v: float, wall: float}>  $readings  at least one
     * @return list<array<string, mixed>> SenML (RFC 8428); "seq" numbers the readings, "wall" is when a stand-in made them
     */
    private function pack(string $name, array $readings): array
    {
        $channel = $this->description($name);
        $base = $readings[0]['t'];
        $records = array_map(static fn (array $r): array => [
            'n' => $name, 't' => round($r['t'] - $base, 6), 'v' => $r['v'], 'seq' => $r['seq'], 'wall' => $r['wall'],
        ], $readings);
        $records[0] = ['bn' => $channel->serial.':', 'bt' => $base, 'bu' => $channel->unit] + $records[0];

        return $records;
    }

    private function passTo(float $now): void
    {
        $this->passWorld($this->clock->at($now));
    }

    private function passWorld(float $benchTime): void
    {
        if ($benchTime > $this->passedTo) {
            $this->world->pass($benchTime - $this->passedTo);
            $this->passedTo = $benchTime;
        }
    }

    private function earliest(): ?string
    {
        $earliest = null;
        foreach ($this->samplers as $name => $sampler) {
            if ($earliest === null || $sampler->dueAt() < $this->samplers[$earliest]->dueAt()) {
                $earliest = $name;
            }
        }

        return $earliest;
    }

    private function fastestHz(string $name): float
    {
        return $this->description($name)->fastestHz;
    }

    private function description(string $name): ChannelDescription
    {
        foreach ($this->world->channels() as $channel) {
            if ($channel->name === $name) {
                return $channel;
            }
        }

        throw new RefusedAct("There is no channel \"{$name}\" on this bench.");
    }

    /** @param  array<array-key, mixed>  $message */
    private function channelIn(array $message): string
    {
        $name = is_string($message['channel'] ?? null) ? $message['channel'] : '';

        return $this->description($name)->name;
    }
}
