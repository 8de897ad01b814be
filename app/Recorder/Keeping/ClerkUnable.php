<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

/** What MariaDB was asked could not be done: it is away, or it refused. */
final class ClerkUnable extends \RuntimeException
{
    private function __construct(string $reason, public readonly bool $isAway)
    {
        parent::__construct($reason);
    }

    /** The same may go well later. */
    public static function away(string $reason): self
    {
        return new self($reason, true);
    }

    public static function refused(string $reason): self
    {
        return new self($reason, false);
    }
}
