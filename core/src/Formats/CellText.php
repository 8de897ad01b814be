<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Units\Unit;

/** What is typed into a cell of a table: a number, in the unit of its column or in another that is told; nothing; or what is no number. */
final class CellText
{
    private const LONGEST = 200;

    /**
     * @return float|string|null the number in the unit of the column; null for a blank; the text itself if it is no number
     */
    public static function read(string $text, Unit $unit): float|string|null
    {
        $text = mb_substr((string) preg_replace('/^[\s\h]+|[\s\h]+$/u', '', mb_scrub($text)), 0, self::LONGEST);
        if ($text === '') {
            return null;
        }
        if (is_numeric($text)) {
            return is_finite((float) $text) ? (float) $text : $text;
        }
        try {
            $read = TypedValue::read($text, $unit);
        } catch (CoreException) {
            return $text;
        }

        // The ± of a cell stands in a column of its own, or is that of the whole column.
        return $read->uncertainty === null && is_finite($read->value) ? $read->value : $text;
    }

    /** @return string|null what was most likely meant by what is no number, with a decimal point; null if nobody can tell */
    public static function remedy(string $text): ?string
    {
        $isComma = str_contains($text, ',') && ! str_contains($text, '.');
        $mended = Remedy::of($text, $isComma ? DecimalMark::Comma : DecimalMark::Point);

        return $mended === null || ! $isComma ? $mended : str_replace(',', '.', $mended);
    }

    /** Digits behind the decimal mark of a number as it was typed, so that "12.0" is shown as it was meant. */
    public static function decimals(string $text): int
    {
        return preg_match('/^[-+−–]?[\d\h]*[.,](\d+)$/u', trim($text), $match) === 1 ? strlen($match[1]) : 0;
    }
}
