<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

/**
 * Writes a table as delimited text: UTF-8, quotes where needed (RFC 4180).
 *
 * For a spreadsheet with CRLF and a byte order mark, because it would otherwise take °C for something else; plain
 * for other programs.
 */
final readonly class CsvWriter
{
    private const BYTE_ORDER_MARK = "\u{FEFF}";

    public function __construct(private DecimalMark $mark, private bool $isForSpreadsheet = true)
    {
    }

    /** For other programs than spreadsheets. */
    public static function plain(DecimalMark $mark): self
    {
        return new self($mark, false);
    }

    /**
     * @param  list<string>  $header
     * @param  iterable<list<string|float|null>>  $rows  numbers are written in full; null is a blank cell
     */
    public function write(array $header, iterable $rows): string
    {
        $text = ($this->isForSpreadsheet ? self::BYTE_ORDER_MARK : '').$this->line($header);
        foreach ($rows as $row) {
            $text .= $this->line($row);
        }

        return $text;
    }

    /** @param  list<string|float|null>  $cells */
    private function line(array $cells): string
    {
        return implode($this->mark->separator(), array_map($this->cell(...), $cells)).($this->isForSpreadsheet ? "\r\n" : "\n");
    }

    /**
     * A spreadsheet would run a text that begins like a formula: also behind signs that nobody sees, in full-width letters,
     * and behind a semicolon, comma, tab or line end where it cuts the cell in two. An apostrophe keeps it a text.
     */
    private static function harmless(string $cell): string
    {
        $unseen = '[\s\p{Z}\p{C}\x{00AD}\x{034F}\x{061C}\x{115F}\x{1160}\x{17B4}\x{17B5}\x{3164}\x{FFA0}\'"]*';

        return (string) preg_replace("/(^|[;,\\t\\r\\n|]){$unseen}\K(?=[=+\\-@\x{FF1D}\x{FF0B}\x{FF0D}\x{FF20}\x{2212}\x{FE62}\x{FE63}\x{FE66}\x{FE6B}])/u", "'", mb_scrub($cell));
    }

    private function cell(string|float|null $cell): string
    {
        if ($cell === null) {
            return '';
        }
        if (is_float($cell)) {
            return $this->mark->number((string) json_encode($cell));
        }
        $text = $this->isForSpreadsheet ? self::harmless($cell) : $cell;

        return preg_match('/["\r\n'.$this->mark->separator().']/', $text) === 1
            ? '"'.str_replace('"', '""', $text).'"' : $text;
    }
}
