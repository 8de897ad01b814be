<?php

declare(strict_types=1);

namespace App\Exceptions;

/** The recorder cannot be reached just now. */
final class RecorderUnavailable extends \RuntimeException
{
    public static function notReached(): self
    {
        return new self('The recorder is starting again; nothing is lost. Try again in a moment.');
    }

    public static function away(string $recorder): self
    {
        return new self("The recorder \"{$recorder}\", which has this bench, is not running or cannot be reached; what its devices still know is fetched when it is back. Start it again with bin/record.");
    }

    /** @param  string|null  $recorder  its name, if it has one */
    public static function silent(?string $recorder): self
    {
        return new self('The recorder'.($recorder === null ? '' : " \"{$recorder}\"").' did not answer; nothing is lost. Try again in a moment.');
    }
}
