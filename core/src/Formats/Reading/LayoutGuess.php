<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\TableHints;

/**
 * Finds out from its first lines how a table is written.
 *
 * @internal used by TableReader alone
 */
final class LayoutGuess
{
    /** The first of these that cuts nearly all lines into as many cells is taken: a comma may be a decimal mark. */
    private const SEPARATORS = ["\t", ';', '|', ',', Layout::BLANKS];

    private const NEARLY_ALL = 0.8;

    /** @param  list<string>  $lines  first lines of the file, without comments and blank ones */
    public static function from(array $lines, TableHints $hints = new TableHints): Layout
    {
        $separator = $hints->separator === null ? ',' : TableHints::SEPARATORS[$hints->separator];
        foreach ($hints->separator !== null ? [] : self::SEPARATORS as $candidate) {
            if (self::cutsEvenly(new Layout($candidate, DecimalMark::Point), $lines)) {
                $separator = $candidate;

                break;
            }
        }
        if ($hints->mark !== null) {
            return new Layout($separator, $hints->mark);
        }
        $layout = new Layout($separator, DecimalMark::Point);
        $cells = array_merge(...array_map($layout->cells(...), $lines));

        return new Layout($separator, self::mark($cells, $separator));
    }

    /** @param  list<string>  $lines */
    private static function cutsEvenly(Layout $layout, array $lines): bool
    {
        // Lines without a digit are titles, heads or remarks, and may be cut otherwise.
        $rows = array_values(array_filter($lines, static fn (string $line): bool => preg_match('/\d/', $line) === 1));
        $lines = count($rows) > 1 ? $rows : $lines;
        $counts = array_count_values(array_map(static fn (string $line): int => count($layout->cells($line)), $lines));
        arsort($counts);
        $cells = array_key_first($counts);

        return $cells !== null && $cells > 1 && $counts[$cells] >= self::NEARLY_ALL * count($lines);
    }

    /** @param  list<string>  $cells */
    private static function mark(array $cells, string $separator): DecimalMark
    {
        $points = 0;
        $commas = 0;
        $unclear = 0;
        foreach ($cells as $cell) {
            $cell = NumberText::withoutBlanks($cell);
            if (preg_match('/^[-+−]?[\d.,]*\d(?:[eE][-+]?\d+)?$/u', $cell) !== 1) {
                continue;
            }
            $point = strrpos($cell, '.');
            $comma = strrpos($cell, ',');
            if ($point !== false && $comma !== false) {
                $point > $comma ? $points++ : $commas++;
            } elseif ($comma !== false) {
                // 1,234 may be a thousand or a decimal; 1,23 and 1,234,567 are clear.
                self::isGrouped($cell, ',') ? (substr_count($cell, ',') > 1 ? $points++ : $unclear++) : $commas++;
            } elseif ($point !== false) {
                self::isGrouped($cell, '.') ? (substr_count($cell, '.') > 1 ? $commas++ : 0) : $points++;
            }
        }
        if ($points === 0 && $commas === 0) {
            // A lone 1,234 in a file whose cells are not cut at commas is a decimal, as such files are written.
            return $unclear > 0 && $separator !== ',' ? DecimalMark::Comma : DecimalMark::Point;
        }

        return $commas > $points ? DecimalMark::Comma : DecimalMark::Point;
    }

    private static function isGrouped(string $cell, string $mark): bool
    {
        return preg_match('/^[-+−]?\d{1,3}(?:'.preg_quote($mark, '/').'\d{3})+$/u', $cell) === 1;
    }
}
