<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

use Welkion\Core\Formats\UnreadableFile;

/**
 * Turns the bytes of a text file into lines of UTF-8, piece by piece: UTF-8 with and without a byte order mark,
 * UTF-16 either way round, and Windows-1252 for lines that are neither.
 *
 * @internal used by TableReader alone
 */
final class TextDecoder
{
    private const MARKS = ["\xEF\xBB\xBF" => 'UTF-8', "\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'];

    /** A line this long is no table. */
    private const LONGEST_LINE = 1_000_000;

    private string $encoding = 'UTF-8';

    private bool $hadMark = false;

    private int $oldLines = 0;

    private int $bytes = 0;

    /**
     * @param  iterable<string>  $chunks  bytes in pieces of any size
     * @return \Generator<int, string> lines without their ends
     *
     * @throws UnreadableFile If this is no text.
     */
    public function lines(iterable $chunks): \Generator
    {
        $rest = '';
        $isFirst = true;
        foreach ($chunks as $chunk) {
            $this->bytes += strlen($chunk);
            $rest .= $chunk;
            if ($isFirst && strlen($rest) < 4) {
                continue;
            }
            if ($isFirst) {
                $rest = $this->begun($rest);
                $isFirst = false;
            }
            [$text, $rest] = $this->decodable($rest);
            // A return at the very end may be the first half of a line end.
            $parts = preg_split('/\r\n|\n|\r(?!$|\n)/D', $text) ?: [$text];
            $rest = $this->encoded(array_pop($parts)).$rest;
            foreach ($parts as $part) {
                yield $this->line($part);
            }
            if (strlen($rest) > self::LONGEST_LINE) {
                throw UnreadableFile::lineTooLong();
            }
        }
        if ($isFirst) {
            $rest = $this->begun($rest);
        }
        $last = rtrim($this->decodable($rest)[0], "\r\n");
        if ($last !== '') {
            yield $this->line($last);
        }
    }

    /** Bytes taken in so far. */
    public function bytesRead(): int
    {
        return $this->bytes;
    }

    /** @return list<string> what was noticed, in words */
    public function notes(): array
    {
        $notes = [];
        if ($this->encoding !== 'UTF-8') {
            $notes[] = "The text is in {$this->encoding}.";
        } elseif ($this->hadMark) {
            $notes[] = 'The text begins with a byte order mark.';
        }
        if ($this->oldLines > 0) {
            $notes[] = "{$this->oldLines} of its lines are not UTF-8 and were read as Windows-1252.";
        }

        return $notes;
    }

    private function begun(string $bytes): string
    {
        foreach (self::MARKS as $mark => $encoding) {
            if (str_starts_with($bytes, $mark)) {
                [$this->encoding, $this->hadMark] = [$encoding, true];

                return substr($bytes, strlen($mark));
            }
        }
        // Without a mark, plain letters in UTF-16 show as every other byte being zero.
        if (strlen($bytes) >= 4 && str_contains($bytes, "\0")) {
            $this->encoding = match (true) {
                $bytes[1] === "\0" && $bytes[3] === "\0" => 'UTF-16LE',
                $bytes[0] === "\0" && $bytes[2] === "\0" => 'UTF-16BE',
                default => throw UnreadableFile::notText(),
            };
        }

        return $bytes;
    }

    /** @return array{string, string} text that can be decoded now, and bytes to keep */
    private function decodable(string $bytes): array
    {
        if ($this->encoding === 'UTF-8') {
            return [$bytes, ''];
        }
        $whole = strlen($bytes) - strlen($bytes) % 2;

        return [(string) mb_convert_encoding(substr($bytes, 0, $whole), 'UTF-8', $this->encoding), substr($bytes, $whole)];
    }

    private function encoded(string $text): string
    {
        return $this->encoding === 'UTF-8' ? $text : (string) mb_convert_encoding($text, $this->encoding, 'UTF-8');
    }

    private function line(string $line): string
    {
        if (str_contains($line, "\0")) {
            throw UnreadableFile::notText();
        }
        if (mb_check_encoding($line, 'UTF-8')) {
            return $line;
        }
        $this->oldLines++;

        return (string) mb_convert_encoding($line, 'UTF-8', 'Windows-1252');
    }
}
