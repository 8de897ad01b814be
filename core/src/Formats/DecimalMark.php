<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

/** How numbers are written in a delimited file; a decimal comma needs another separator. */
enum DecimalMark: string
{
    case Point = 'point';
    case Comma = 'comma';

    /** What separates cells where this is the decimal mark. */
    public function separator(): string
    {
        return match ($this) {
            self::Point => ',',
            self::Comma => ';',
        };
    }

    /** A number written with a point, written with this mark. */
    public function number(string $withPoint): string
    {
        return match ($this) {
            self::Point => $withPoint,
            self::Comma => str_replace('.', ',', $withPoint),
        };
    }
}
