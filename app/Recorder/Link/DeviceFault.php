<?php

declare(strict_types=1);

namespace App\Recorder\Link;

/** A device broke the rules of the probe link; the sentence says how, for the person who looks after it. */
final class DeviceFault extends \RuntimeException
{
    public static function because(string $what): self
    {
        return new self("It {$what}.");
    }
}
