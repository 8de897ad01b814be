<?php

declare(strict_types=1);

namespace App\Live;

/** How many devices watch a board at this moment, as the web server counts them. */
final readonly class Onlookers
{
    public function __construct(private PublishSocket $socket)
    {
    }

    /** @return int|null null if it cannot be told */
    public function of(int $watchId): ?int
    {
        $answer = $this->socket->ask('GET', "watch-{$watchId}");
        if ($answer === null) {
            return null;
        }
        $told = json_decode((string) strstr($answer, '{'), true);

        // A channel that nobody has asked for is not known to the web server.
        return is_array($told) && is_int($told['subscribers'] ?? null) ? $told['subscribers'] : 0;
    }
}
