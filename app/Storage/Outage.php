<?php

declare(strict_types=1);

namespace App\Storage;

/**
 * Tells a database that is away for a while, where waiting helps, from one that refuses what it was given, where it never will.
 *
 * Numbers are those of the MariaDB server (1000 and above) and of its client (2000 and above).
 */
final class Outage
{
    /** The connection could not be made, or broke, or nobody answered in time. */
    private const UNREACHABLE = [1040, 1053, 1129, 1152, 1158, 1159, 1160, 1161, 1184, 1203, 1927, 2002, 2003, 2006, 2012, 2013, 2055];

    /** The server is there but cannot take it just now: full disk, full table, a lock held by another, read-only. */
    private const BUSY = [1021, 1028, 1114, 1205, 1206, 1213, 1226, 1290, 1317, 1836, 3024, 3100];

    /** Whether the same may go well later. */
    public static function isBehind(\Throwable $error): bool
    {
        return self::isUnreachable($error) || in_array(self::numberOf($error), self::BUSY, true);
    }

    public static function isUnreachable(\Throwable $error): bool
    {
        return in_array(self::numberOf($error), self::UNREACHABLE, true);
    }

    private static function numberOf(\Throwable $error): ?int
    {
        for ($cause = $error; $cause !== null; $cause = $cause->getPrevious()) {
            if ($cause instanceof \PDOException) {
                // Without "errorInfo" the number stands in the code, as when connecting fails.
                $number = $cause->errorInfo[1] ?? $cause->getCode();
                if (is_int($number) && $number !== 0) {
                    return $number;
                }
            }
        }

        return null;
    }
}
