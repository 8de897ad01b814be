<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

final class NotEnoughPoints extends \DomainException implements CoreException
{
    /** For a method that needs more points at different places than there are. */
    public static function need(string $what, int $needed, int $got): self
    {
        return new self("{$what} needs at least {$needed} points at different places, but there are {$got}.");
    }
}
