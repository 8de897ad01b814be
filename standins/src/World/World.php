<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** A simulated bench: time passes in it, hands act on it, probes read it. */
interface World
{
    public function name(): string;

    /** @return list<ChannelDescription> of the probes that are plugged in */
    public function channels(): array;

    /** Lets time pass; seconds of the bench's own clock. */
    public function pass(float $seconds): void;

    /** The raw signal of a channel at this moment, in its raw unit. */
    public function reading(string $channel): float;

    /**
     * Does what hands would do.
     *
     * @param  array<string, mixed>  $details
     *
     * @throws RefusedAct If it cannot be done; the message says why.
     */
    public function act(string $act, array $details): void;

    /** @return array<string, mixed> what an onlooker can see: "summary" in words, "controls" for the hands, and facts by name */
    public function visible(): array;

    /** @return list<Truth> what no onlooker can see, for checking results */
    public function truth(): array;
}
