<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

final class NotEnoughPoints extends \DomainException implements CoreException
{
    public static function need(string $what, int $needed, int $got): self
    {
        return new self("{$what} needs at least {$needed} points at different places, but there are {$got}.");
    }
}
