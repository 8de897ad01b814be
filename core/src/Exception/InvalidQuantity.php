<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

final class InvalidQuantity extends \InvalidArgumentException implements CoreException
{
    /** For a number that must be above zero. */
    public static function mustBePositive(string $name, float $value, string $unit): self
    {
        return new self(sprintf('The %s must be above %s, but %s was given.', $name, trim("0 {$unit}"), self::number($value)));
    }

    /** For a number that is infinite or none. */
    public static function mustBeFinite(string $name): self
    {
        return new self("The {$name} must be an ordinary number.");
    }

    /** For a number outside its limits; all in the given unit. */
    public static function outOfRange(string $name, float $value, float $low, float $high, string $unit): self
    {
        return new self(sprintf(
            'The %s must lie between %s and %s, but %s was given.',
            $name,
            self::number($low),
            trim(self::number($high)." {$unit}"),
            self::number($value),
        ));
    }

    private static function number(float $value): string
    {
        return is_finite($value) ? rtrim(rtrim(sprintf('%.6F', $value), '0'), '.') : 'no ordinary number';
    }
}
