<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\Remedy;

/**
 * Reads a number as people write it. Never guesses: "1O1.8", "24.1?" and "about 45" are no numbers.
 *
 * @internal used by TableReader and Remedy alone
 */
final readonly class NumberText
{
    /** Between thousands: blanks that break a line or do not, narrow and thin ones, those as wide as a digit, apostrophes. */
    private const BLANKS = " '\u{2019}\u{A0}\u{202F}\u{2009}\u{2007}";

    private string $grouped;

    public function __construct(private DecimalMark $mark)
    {
        $group = $mark === DecimalMark::Point ? ',' : '\.';
        $decimal = $mark === DecimalMark::Point ? '\.' : ',';
        $this->grouped = "/^[-+]?\\d{1,3}(?:{$group}\\d{3}|[".self::BLANKS."]\\d{3})+(?:{$decimal}\\d*)?$/u";
    }

    /** @return float|null null if this is no number */
    public function read(string $cell): ?float
    {
        if ($this->mark === DecimalMark::Point && is_numeric($cell)) {
            return self::finite((float) $cell);
        }
        $cell = str_replace(["\u{2212}", "\u{2013}"], '-', $cell);
        if (preg_match($this->grouped, $cell) === 1) {
            $cell = self::withoutBlanks($cell);
            $cell = str_replace($this->mark === DecimalMark::Point ? ',' : '.', '', $cell);
        } elseif ($this->mark === DecimalMark::Comma && str_contains($cell, '.')) {
            return null;
        }
        if ($this->mark === DecimalMark::Comma) {
            $cell = str_replace(',', '.', $cell);
        }

        return is_numeric($cell) ? self::finite((float) $cell) : null;
    }

    /** Without what stands between thousands. */
    public static function withoutBlanks(string $cell): string
    {
        return (string) preg_replace('/(?<=\d)['.self::BLANKS.'](?=\d{3})/u', '', $cell);
    }

    /** @return string|null what was most likely meant by what is no number */
    public function remedy(string $cell): ?string
    {
        return Remedy::of($cell, $this->mark);
    }

    private static function finite(float $value): ?float
    {
        return is_finite($value) ? $value : null;
    }
}
