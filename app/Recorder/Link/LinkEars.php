<?php

declare(strict_types=1);

namespace App\Recorder\Link;

/** Who listens to a bench. */
interface LinkEars
{
    /**
     * Something is plugged in or was pulled out.
     *
     * @param  list<ToldChannel>  $channels  all that are plugged in now
     * @param  mixed  $world  what an onlooker sees, if the bench tells of it
     * @param  bool  $isGreeting  whether the line is new
     */
    public function plugged(array $channels, mixed $world, bool $isGreeting): void;

    /** @throws DeviceFault If the readings cannot be. */
    public function take(Pack $pack): void;

    /** The readings of a channel that were missed follow, if any are left. */
    public function resumed(string $channel): void;

    public function lost(): void;

    public function setAside(string $why): void;

    /** Something went wrong in what was made of a message. */
    public function failed(\Throwable $failure): void;
}
