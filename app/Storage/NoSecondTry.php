<?php

declare(strict_types=1);

namespace App\Storage;

use Illuminate\Contracts\Database\LostConnectionDetector;

/**
 * For web requests: each has a fresh connection, so one that broke tells of a database that is away, and trying again at
 * once (the framework would, up to four times) only keeps a person waiting. The screen tries again by itself.
 */
final class NoSecondTry implements LostConnectionDetector
{
    public function causedByLostConnection(\Throwable $e): bool
    {
        return false;
    }
}
