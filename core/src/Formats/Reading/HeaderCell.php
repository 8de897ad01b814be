<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

use Welkion\Core\Exception\UnknownUnit;
use Welkion\Core\Units\Unit;

/**
 * The head of a column: its name, and the unit written with it.
 *
 * @internal used by TableReader alone
 */
final readonly class HeaderCell
{
    private function __construct(public string $name, public string $unit)
    {
    }

    /** Reads "Time (s)", "Time [s]", "Time / s", "Time/s", "Time in s" and "Time". */
    public static function read(string $cell): self
    {
        $cell = trim($cell);
        if (preg_match('/^(.*\S)\s*[(\[]([^()\[\]]*(?:\([^()]*\)[^()\[\]]*)?)[)\]]$/u', $cell, $match) === 1) {
            $unit = trim($match[2]);

            // "Mass (cup and water)" is a name; "Light (counts)" is a unit of its own.
            return self::isUnit($unit) || ! str_contains($unit, ' ') ? new self($match[1], $unit) : new self($cell, '');
        }
        if (preg_match('/^([^\/]*[^\/\s])\s*\/\s*(.+)$/u', $cell, $match) === 1 && self::isUnit($match[2])) {
            return new self($match[1], $match[2]);
        }
        if (preg_match('/^(.*\S)\s+in\s+(\S+)$/u', $cell, $match) === 1 && self::isUnit($match[2])) {
            return new self($match[1], $match[2]);
        }

        return new self($cell, '');
    }

    /** The same name with the unit of a row below. */
    public function withUnit(string $unit): self
    {
        return new self($this->name, self::bare($unit));
    }

    /** A unit without the brackets it may stand in: "(s)" and "[s]" are s. */
    private static function bare(string $unit): string
    {
        return preg_match('/^\s*[(\[]([^()\[\]]*)[)\]]\s*$/u', $unit, $match) === 1 ? trim($match[1]) : trim($unit);
    }

    /** Whether a cell of a second header row may be a unit. */
    public static function isUnit(string $text): bool
    {
        try {
            Unit::parse(self::bare($text));

            return true;
        } catch (UnknownUnit) {
            return false;
        }
    }
}
