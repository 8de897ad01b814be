<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** What all simulated benches share: sockets that can be pulled, knocks, numbers that hands type. */
abstract class Bench implements World
{
    /** Longest stretch over which things may be taken one after the other, in s. */
    private const STEP_S = 0.1;

    private float $clockS = 0.0;

    /** @var array<string, true> channels whose plug is out */
    private array $unplugged = [];

    final public function channels(): array
    {
        return array_values(array_filter(
            $this->sockets(), fn (ChannelDescription $c): bool => ! isset($this->unplugged[$c->name]),
        ));
    }

    final public function pass(float $seconds): void
    {
        for ($left = $seconds; $left > 1e-9; $left -= self::STEP_S) {
            $step = min($left, self::STEP_S);
            $this->clockS += $step;
            $this->step($step);
        }
    }

    final public function act(string $act, array $details): void
    {
        match ($act) {
            'plug' => $this->plug(self::text($details['channel'] ?? ''), (bool) ($details['on'] ?? true)),
            'bump' => $this->bump($this->socketNamed(self::text($details['channel'] ?? ''))),
            default => $this->hands($act, $details),
        };
    }

    /** @return list<ChannelDescription> of all probes that belong to the bench, plugged in or not */
    abstract protected function sockets(): array;

    /** Lets a short time pass. */
    abstract protected function step(float $seconds): void;

    /**
     * @param  array<string, mixed>  $details
     *
     * @throws RefusedAct If it cannot be done.
     */
    abstract protected function hands(string $act, array $details): void;

    /** Somebody knocks against a probe. */
    abstract protected function bump(string $channel): void;

    /** Seconds since the bench was set up. */
    final protected function clock(): float
    {
        return $this->clockS;
    }

    /** The plugs of every bench. */
    final protected function plugControl(): Control
    {
        return Control::switches('Plugged in', array_map(
            fn (ChannelDescription $c): array => [$c->title, ['act' => 'plug', 'channel' => $c->name], ! isset($this->unplugged[$c->name])],
            $this->sockets(),
        ));
    }

    final protected function knockControl(): Control
    {
        return Control::acts('Bump', array_map(
            static fn (ChannelDescription $c): array => [$c->title, ['act' => 'bump', 'channel' => $c->name]], $this->channels(),
        ));
    }

    final protected static function refuse(string $act): never
    {
        throw new RefusedAct("This bench cannot \"{$act}\".");
    }

    /** @throws RefusedAct If it is no number between the two. */
    final protected static function number(mixed $value, string $what, float $from, float $to, string $unit): float
    {
        if (! is_int($value) && ! is_float($value)) {
            throw new RefusedAct("The {$what} must be a number of {$unit}.");
        }
        if ($value < $from || $value > $to) {
            throw new RefusedAct("The {$what} must lie between {$from} and {$to} {$unit}.");
        }

        return (float) $value;
    }

    final protected static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    /**
     * @template T
     *
     * @param  array<string, T>  $choices
     * @return T
     *
     * @throws RefusedAct If there is none of this name.
     */
    final protected static function oneOf(array $choices, mixed $name, string $what): mixed
    {
        $key = self::text($name);

        return $choices[$key] ?? throw new RefusedAct("{$what} ".implode(', ', array_keys($choices)).'.');
    }

    private function plug(string $channel, bool $isIn): void
    {
        $name = $this->socketNamed($channel);
        if ($isIn) {
            unset($this->unplugged[$name]);
        } else {
            $this->unplugged[$name] = true;
        }
    }

    private function socketNamed(string $channel): string
    {
        foreach ($this->sockets() as $socket) {
            if ($socket->name === $channel) {
                return $channel;
            }
        }

        throw new RefusedAct("There is no channel \"{$channel}\" on this bench.");
    }
}
