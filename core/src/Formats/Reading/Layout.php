<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

use Welkion\Core\Formats\DecimalMark;

/** How a table is written: what separates its cells, and its decimal mark. */
final readonly class Layout
{
    /** Stands for any run of blanks. */
    public const BLANKS = ' ';

    /** @param  non-empty-string  $separator */
    public function __construct(public string $separator, public DecimalMark $mark)
    {
    }

    /** @return list<string> the cells of a line */
    public function cells(string $line): array
    {
        if ($this->separator === self::BLANKS) {
            return preg_split('/\s+/u', trim($line), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        }
        if (! str_contains($line, '"')) {
            return array_map(trim(...), explode($this->separator, $line));
        }

        return array_map(static fn (?string $cell): string => trim((string) $cell), str_getcsv($line, $this->separator, '"', ''));
    }
}
