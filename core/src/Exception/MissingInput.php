<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

/** A method was not given what it needs. */
final class MissingInput extends \InvalidArgumentException implements CoreException
{
    public static function slot(string $slot): self
    {
        return new self("The input \"{$slot}\" is missing.");
    }
}
