<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

final class UnitMismatch extends \InvalidArgumentException implements CoreException
{
    /** For a conversion between units of different kinds. */
    public static function converting(string $from, string $to): self
    {
        return new self(match (true) {
            $to === '' => "A value in {$from} cannot be given as a number without a unit. Give it in {$from}.",
            $from === '' => "A number without a unit cannot be given in {$to}.",
            default => "A value in {$from} cannot be given in {$to}: they measure different things.",
        });
    }

    /** For a sum of values of different kinds. */
    public static function adding(string $left, string $right): self
    {
        return new self("A value in {$right} cannot be added to one in {$left}: they measure different things.");
    }

    /** For a product or a ratio with a unit that does not start at zero. */
    public static function ratioNeedsAbsolute(string $unit): self
    {
        return new self("{$unit} does not start at zero, so it cannot be multiplied or divided. Convert it to K first.");
    }
}
