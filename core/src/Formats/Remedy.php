<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

use Welkion\Core\Formats\Reading\NumberText;

/**
 * What was most likely meant by a cell that is no number: "4.45x" by 4.45, "O.12" by 0.12. It is offered, never taken by
 * itself; where more than one number could be meant, or a bound as "< 0.5", nothing is offered.
 */
final class Remedy
{
    /** Slips that are put right one after the other, and what of them stays. */
    private const SLIPS = [
        // A value that was not sure, or was kept from becoming a date.
        '/^(?:[~≈=\']|ca?\.)\s*/iu' => '',
        // Letters that look like digits, among digits.
        '/(?<=[\d.,])[oO]|[oO](?=[\d.,])/' => '0',
        '/(?<=[\d.,])[lI|](?=[\d.,])|^(-?)[lI|](?=[\d.,])|(?<=[.,])[lI|]$/' => '${1}1',
        // A key that stayed down, or one beside it.
        '/([.,])[.,]+/' => '$1',
        '/(?<=\d)\s*([.,])\s+(?=\d)|(?<=\d)\s+([.,])(?=\d)/' => '$1$2',
        // A unit, a letter, a doubt behind it.
        '/(?<=[\d.,])\s*(?:[?*!]+|[a-zµμ°%]{1,4}(?:\/[a-z]{1,3})?)$/iu' => '',
        '/(?<=\d[.,]\d)[.,]$|(?<=\d\d)[.,]$/' => '',
    ];

    /** @return string|null the number as it should be written; null if nobody can tell */
    public static function of(string $text, DecimalMark $mark): ?string
    {
        $mended = str_replace(["\u{2212}", "\u{2013}"], '-', trim($text));
        foreach (self::SLIPS as $slip => $stays) {
            // Twice: "1OO" has two letters beside each other.
            $mended = (string) preg_replace($slip, $stays, (string) preg_replace($slip, $stays, $mended));
        }
        [$right, $wrong] = $mark === DecimalMark::Point ? ['.', ','] : [',', '.'];
        if (! str_contains($mended, $right) && substr_count($mended, $wrong) === 1) {
            $mended = str_replace($wrong, $right, $mended);
        }

        return $mended !== '' && (new NumberText($mark))->read($mended) !== null ? $mended : null;
    }
}
