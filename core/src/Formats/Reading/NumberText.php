<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

use Welkion\Core\Formats\DecimalMark;

/**
 * Reads a number as people write it. Never guesses: "1O1.8", "24.1?" and "about 45" are no numbers.
 *
 * @internal used by TableReader alone
 */
final readonly class NumberText
{
    private string $grouped;

    public function __construct(private DecimalMark $mark)
    {
        $group = $mark === DecimalMark::Point ? ',' : '\.';
        $decimal = $mark === DecimalMark::Point ? '\.' : ',';
        // Thousands may also be set off by a blank or an apostrophe.
        $this->grouped = "/^[-+]?\\d{1,3}(?:{$group}\\d{3}|[ '\u{2019}\u{A0}\u{202F}]\\d{3})+(?:{$decimal}\\d*)?$/u";
    }

    /** @return float|null null if this is no number */
    public function read(string $cell): ?float
    {
        if ($this->mark === DecimalMark::Point && is_numeric($cell)) {
            return self::finite((float) $cell);
        }
        $cell = str_replace(["\u{2212}", "\u{2013}"], '-', $cell);
        if (preg_match($this->grouped, $cell) === 1) {
            $cell = (string) preg_replace("/[ '\u{2019}\u{A0}\u{202F}]/u", '', $cell);
            $cell = str_replace($this->mark === DecimalMark::Point ? ',' : '.', '', $cell);
        } elseif ($this->mark === DecimalMark::Comma && str_contains($cell, '.')) {
            return null;
        }
        if ($this->mark === DecimalMark::Comma) {
            $cell = str_replace(',', '.', $cell);
        }

        return is_numeric($cell) ? self::finite((float) $cell) : null;
    }

    private static function finite(float $value): ?float
    {
        return is_finite($value) ? $value : null;
    }
}
