<?php

declare(strict_types=1);

namespace App\Storage;

/**
 * Remembers across requests that the database was out of reach a moment ago. While it hangs, each request that asks it
 * holds a PHP process for seconds; a few do, the others are told at once.
 */
final readonly class AwayMark
{
    private const HOLDS_S = 1.0;

    public function __construct(private string $file)
    {
    }

    public function set(): void
    {
        // On a full disk there is no mark, and every request finds out by itself.
        @file_put_contents($this->file, (string) microtime(true));
    }

    /** @throws StorageAway */
    public function check(): void
    {
        $at = @file_get_contents($this->file);
        if (is_string($at) && abs(microtime(true) - (float) $at) < self::HOLDS_S) {
            throw new StorageAway('The database was out of reach a moment ago.');
        }
    }
}
