<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

/**
 * What the recorder and the process that asks MariaDB for it say to each other over their own pipe: objects of the same
 * code on both sides, one to a line.
 */
final class Message
{
    public const DONE = 'done';

    public const AWAY = 'away';

    public const REFUSED = 'refused';

    /** @param  array{int, string, mixed}  $message */
    public static function line(array $message): string
    {
        return base64_encode(serialize($message))."\n";
    }

    /** @return array{int, string, mixed} */
    public static function read(string $line): array
    {
        $message = unserialize((string) base64_decode($line, true));

        return is_array($message) && is_int($message[0] ?? null) && is_string($message[1] ?? null)
            ? [$message[0], $message[1], $message[2] ?? null] : [0, self::REFUSED, null];
    }
}
