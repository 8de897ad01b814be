<?php

declare(strict_types=1);

namespace Welkion\Cli;

use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\Reading\NumberText;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/** A typed value: "20", "20 g", "20 +- 0.05 g". */
final class ValueText
{
    private const NUMBER = '[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?';

    /**
     * @param  string  $name  what it is a value of; also the name of the source of its ±
     * @param  Unit  $usual  its unit when none is told
     *
     * @throws Failure If it is not written so.
     */
    public static function read(string $text, string $name, Unit $usual): Measured
    {
        $number = self::NUMBER;
        if (preg_match("/^\s*({$number})\s*(?:(?:\+-|±|\+\/-)\s*({$number}))?\s*(.*?)\s*$/u", $text, $match) !== 1) {
            throw Failure::input("{$name} takes a value such as 20, 20 g or 20 +- 0.05 g, but \"{$text}\" was given.");
        }
        $read = static fn (string $digits): ?float => (new NumberText(DecimalMark::Point))->read($digits);
        $value = $read($match[1]);
        $uncertainty = $match[2] === '' ? 0.0 : $read($match[2]);
        if ($value === null || $uncertainty === null || $uncertainty < 0.0) {
            throw Failure::input("{$name} takes a value such as 20, 20 g or 20 +- 0.05 g, but \"{$text}\" was given.");
        }

        return Measured::of($value, $uncertainty, $match[3] === '' ? $usual : Unit::parse($match[3]), Source::named("typed {$name}", $name));
    }
}
