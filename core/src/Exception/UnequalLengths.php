<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

final class UnequalLengths extends \LogicException implements CoreException
{
    /** For two columns that should go together row by row. */
    public static function between(int $left, int $right): self
    {
        return new self("The two columns must be of the same length, but have {$left} and {$right} values.");
    }
}
