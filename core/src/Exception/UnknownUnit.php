<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

use Welkion\Core\Units\UnitTable;

final class UnknownUnit extends \InvalidArgumentException implements CoreException
{
    /** For a part of a written unit that names none. */
    public static function in(string $part, string $whole): self
    {
        $where = $part === $whole ? '' : " (in \"{$whole}\")";

        $nearest = UnitTable::nearest($part);
        $advice = $nearest === null ? 'Write it like mL, mol/L, mV or °C.' : "Did you mean {$nearest}?";

        return new self("\"{$part}\"{$where} is not a unit Welkion knows. {$advice}");
    }
}
