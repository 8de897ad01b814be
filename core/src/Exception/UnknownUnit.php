<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

final class UnknownUnit extends \InvalidArgumentException implements CoreException
{
    /**
     * For a part of a written unit that names none.
     *
     * @param  string|null  $nearest  unit that may have been meant
     */
    public static function in(string $part, string $whole, ?string $nearest): self
    {
        $where = $part === $whole ? '' : " (in \"{$whole}\")";
        $advice = $nearest === null ? 'Write it like mL, mol/L, mV or °C.' : "Did you mean {$nearest}?";

        return new self("\"{$part}\"{$where} is not a unit Welkion knows. {$advice}");
    }
}
