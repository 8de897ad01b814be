<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

/**
 * Blocks on disk that wait for MariaDB: one JSON line for each batch, in order, read from the front.
 *
 * @phpstan-type Row array<string, int|float|string|null>
 */
final class Spool
{
    /** How far it has been read; what was read and confirmed is not told again by this process. */
    private int $readTo = 0;

    private ?int $nextTo = null;

    public function __construct(private readonly string $file)
    {
    }

    public function isEmpty(): bool
    {
        clearstatcache(true, $this->file);

        return ! is_file($this->file) || filesize($this->file) <= $this->readTo;
    }

    /**
     * Survives the death of every process. Not forced through to the disk itself, which may take a second and would keep the
     * recorder from its probes: after a power cut their devices are asked again.
     *
     * @param  list<Row>  $rows
     * @return bool whether they are written; if not, nothing of them is
     */
    public function append(array $rows): bool
    {
        $handle = @fopen($this->file, 'ab');
        if ($handle === false) {
            return false;
        }
        $line = json_encode(array_map(self::packed(...), $rows), JSON_THROW_ON_ERROR)."\n";
        $before = max(0, (int) (fstat($handle)['size'] ?? 0));
        // A line that a crash cut short must not swallow this one.
        $isWhole = @fwrite($handle, ($this->endsInside($before) ? "\n" : '').$line) >= strlen($line) && @fflush($handle);
        if (! $isWhole) {
            @ftruncate($handle, $before);
        }
        fclose($handle);

        return $isWhole;
    }

    /** @return list<Row>|null the next batch; null at the end */
    public function next(): ?array
    {
        $handle = $this->isEmpty() ? false : @fopen($this->file, 'rb');
        if ($handle === false) {
            return null;
        }
        fseek($handle, $this->readTo);
        $line = fgets($handle);
        $this->nextTo = (int) ftell($handle);
        fclose($handle);

        return is_string($line) ? self::rows($line) : null;
    }

    /** The batch told last is in MariaDB. */
    public function confirm(): void
    {
        $this->readTo = $this->nextTo ?? $this->readTo;
        $this->nextTo = null;
        if ($this->isEmpty()) {
            @unlink($this->file);
            $this->readTo = 0;
        }
    }

    /** @return iterable<list<Row>> every batch not confirmed yet */
    public function all(): iterable
    {
        $handle = $this->isEmpty() ? false : @fopen($this->file, 'rb');
        if ($handle === false) {
            return;
        }
        fseek($handle, $this->readTo);
        while (($line = fgets($handle)) !== false) {
            yield self::rows($line);
        }
        fclose($handle);
    }

    private function endsInside(int $size): bool
    {
        return $size > 0 && @file_get_contents($this->file, false, null, $size - 1, 1) !== "\n";
    }

    /** @return list<Row> of a line cut short by a crash none: its samples were never confirmed and are asked for again */
    private static function rows(string $line): array
    {
        $rows = json_decode($line, true);

        return is_array($rows) ? array_values(array_map(self::unpacked(...), $rows)) : [];
    }

    /**
     * @param  Row  $row
     * @return Row
     */
    private static function packed(array $row): array
    {
        return array_map(static fn ($cell) => is_string($cell) ? 'b64:'.base64_encode($cell) : $cell, $row);
    }

    /**
     * @param  Row  $row
     * @return Row
     */
    private static function unpacked(array $row): array
    {
        return array_map(static fn ($cell) => is_string($cell) ? (string) base64_decode(substr($cell, 4), true) : $cell, $row);
    }
}
