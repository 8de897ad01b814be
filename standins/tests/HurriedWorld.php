<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use Welkion\Standins\World\ChannelDescription;
use Welkion\Standins\World\World;

/** A world with a channel that is faster than anyone can listen to; it tells how far its time has come. */
final class HurriedWorld implements World
{
    public float $passed = 0.0;

    public function name(): string
    {
        return 'Hurried';
    }

    public function channels(): array
    {
        return [new ChannelDescription('x', 'thermometer', 'x', 'Hurried-1', 's', 0.0, [0.0, 1e9], 20_000.0)];
    }

    public function pass(float $seconds): void
    {
        $this->passed += $seconds;
    }

    public function reading(string $channel): float
    {
        return $this->passed;
    }

    public function act(string $act, array $details): void
    {
    }

    public function visible(): array
    {
        return [];
    }

    public function truth(): array
    {
        return [];
    }
}
