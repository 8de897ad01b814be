<?php

declare(strict_types=1);

namespace App\Recorder;

use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\QueryException;
use Psr\Log\LoggerInterface;

/**
 * Puts blocks into MariaDB; while it is away, onto disk, from where they follow in order once it is back.
 *
 * A block that is there already is passed over, so delivering twice does no harm.
 */
final class BlockStore
{
    public function __construct(
        private readonly ConnectionInterface $database,
        private readonly LoggerInterface $log,
        private readonly string $spoolFile,
    ) {
    }

    /**
     * @param  list<Block>  $blocks
     * @return bool whether they are in MariaDB; if not, they are safe on disk
     */
    public function append(array $blocks): bool
    {
        $rows = array_map(static fn (Block $block): array => $block->toRow(), $blocks);
        try {
            $this->catchUp();
            if ($rows !== []) {
                $this->database->table('sample_blocks')->insertOrIgnore($rows);
            }

            return true;
        } catch (QueryException|\PDOException $failure) {
            $this->log->warning('MariaDB is away; samples go to disk until it is back.', ['reason' => $failure->getMessage()]);
            $this->spool($rows);

            return false;
        }
    }

    /** The number of the last sample kept for a channel of a run; 0 before the first. */
    public function lastSeq(int $runChannelId): int
    {
        $this->catchUp();
        $last = $this->database->table('sample_blocks')->where('run_channel_id', $runChannelId)
            ->orderByDesc('first_seq')->first(['first_seq', 'count']);

        return $last === null ? 0 : (int) $last->first_seq + (int) $last->count - 1;
    }

    private function catchUp(): void
    {
        if (! is_file($this->spoolFile)) {
            return;
        }
        $lines = file($this->spoolFile, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
        foreach ($lines as $line) {
            // A line cut short by a crash is dropped: its samples were never confirmed and are asked for again.
            $rows = json_decode($line, true);
            if (is_array($rows)) {
                $this->database->table('sample_blocks')->insertOrIgnore(array_map(self::unpacked(...), $rows));
            }
        }
        unlink($this->spoolFile);
    }

    /** @param  list<array<string, int|float|string|null>>  $rows */
    private function spool(array $rows): void
    {
        if ($rows === []) {
            return;
        }
        $lines = json_encode(array_map(self::packed(...), $rows), JSON_THROW_ON_ERROR)."\n";
        file_put_contents($this->spoolFile, $lines, FILE_APPEND | LOCK_EX);
    }

    /**
     * @param  array<string, int|float|string|null>  $row
     * @return array<string, int|float|string|null>
     */
    private static function packed(array $row): array
    {
        return array_map(static fn ($cell) => is_string($cell) ? 'b64:'.base64_encode($cell) : $cell, $row);
    }

    /**
     * @param  array<string, int|float|string|null>  $row
     * @return array<string, int|float|string|null>
     */
    private static function unpacked(array $row): array
    {
        return array_map(static fn ($cell) => is_string($cell) ? base64_decode(substr($cell, 4)) : $cell, $row);
    }
}
