<?php

declare(strict_types=1);

namespace Welkion\Cli;

/** Writes documents: numbers in full, a number that does not exist as null. */
final class Json
{
    public static function of(mixed $document): string
    {
        return json_encode(self::finite($document), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT)."\n";
    }

    private static function finite(mixed $value): mixed
    {
        return match (true) {
            is_array($value) => array_map(self::finite(...), $value),
            is_float($value) && ! is_finite($value) => null,
            default => $value,
        };
    }
}
