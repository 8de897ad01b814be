<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

/**
 * Lines that may hold data: comments and blank lines are left out, and a quoted cell that runs over several lines
 * is put together again.
 *
 * @internal used by TableReader alone
 */
final class Records
{
    /** A quote left open by mistake must not swallow the rest of the file. */
    private const MOST_LINES_IN_A_CELL = 50;

    /**
     * @param  iterable<string>  $lines
     * @return \Generator<int, string>
     */
    public static function from(iterable $lines): \Generator
    {
        $open = [];
        foreach ($lines as $line) {
            if ($open === []) {
                $start = ltrim($line);
                if ($start === '' || $start[0] === '#') {
                    continue;
                }
                if (! str_contains($line, '"') || substr_count($line, '"') % 2 === 0) {
                    yield $line;

                    continue;
                }
            }
            $open[] = $line;
            $quotes = substr_count(implode('', $open), '"');
            if (count($open) > 1 && $quotes % 2 === 0) {
                yield implode("\n", $open);
                $open = [];
            } elseif (count($open) > self::MOST_LINES_IN_A_CELL) {
                yield from $open;
                $open = [];
            }
        }
        yield from $open;
    }
}
