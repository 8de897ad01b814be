<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

final class UnknownUnit extends \InvalidArgumentException implements CoreException
{
    public static function in(string $part, string $whole): self
    {
        $where = $part === $whole ? '' : " (in \"{$whole}\")";

        return new self("\"{$part}\"{$where} is not a unit Welkion knows. Write it like mL, mol/L, mV or °C.");
    }
}
