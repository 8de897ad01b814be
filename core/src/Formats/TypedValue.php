<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Exception\UnknownUnit;
use Welkion\Core\Formats\Reading\NumberText;
use Welkion\Core\Units\Unit;

/** A value as people type it: 25,0 · 1.2e-3 · 25.0 ± 0.1 · 25 mL · 0,5 g. */
final readonly class TypedValue
{
    private const NUMBER = '[-+−]?[\d.,\h]*\d[.,]?(?:[eE][-+−]?\d+)?|[-+−]?[.,]\d+(?:[eE][-+−]?\d+)?';

    /**
     * @param  float|null  $uncertainty  null if none was typed
     * @param  string|null  $said  what was converted; null if nothing was
     */
    private function __construct(public float $value, public ?float $uncertainty, public ?string $said)
    {
    }

    /**
     * @param  Unit  $unit  of the result; a typed unit is converted into it
     *
     * @throws InvalidQuantity If it is no number.
     * @throws UnknownUnit If the unit is not known.
     * @throws UnitMismatch If the unit measures something else.
     */
    public static function read(string $text, Unit $unit): self
    {
        $number = self::NUMBER;
        if (preg_match("/^\s*({$number})\s*(?:(?:±|\+-|\+\/-)\s*({$number}))?\s*([^\d\s±+\-].*?)?\s*$/u", $text, $match) !== 1) {
            throw self::noNumber($text);
        }
        $value = self::number($match[1], $text);
        $uncertainty = ($match[2] ?? '') === '' ? null : self::number($match[2], $text);
        if ($uncertainty !== null && $uncertainty < 0.0) {
            throw InvalidQuantity::mustBePositive('±', $uncertainty, $unit->symbol);
        }
        $typed = trim($match[3] ?? '');
        if ($typed === '' || Unit::parse($typed)->symbol === $unit->symbol) {
            return new self($value, $uncertainty, null);
        }
        $from = Unit::parse($typed);
        $converted = self::clean($from->convert($value, $unit));

        return new self($converted, $uncertainty === null ? null : self::clean($from->convertDifference($uncertainty, $unit)),
            trim(sprintf('%s %s is %s %s', json_encode($value), $from->symbol, json_encode($converted), $unit->symbol)).'.');
    }

    /** The last mark is the decimal one; one that comes several times parts thousands. */
    private static function number(string $digits, string $text): float
    {
        $isComma = strrpos($digits, ',') > strrpos($digits, '.') && substr_count($digits, ',') === 1
            || (substr_count($digits, '.') > 1 && substr_count($digits, ',') < 2);

        return (new NumberText($isComma ? DecimalMark::Comma : DecimalMark::Point))->read(trim($digits)) ?? throw self::noNumber($text);
    }

    /** Conversion leaves last digits that nobody typed: 0.5 g is 500 mg, not 500.00000000000006. */
    private static function clean(float $value): float
    {
        return (float) sprintf('%.14g', $value);
    }

    private static function noNumber(string $text): InvalidQuantity
    {
        return new InvalidQuantity("\"{$text}\" is no number. Write one like 25.0, 25,0, 1.2e-3, 25.0 ± 0.1 or 25 mL.");
    }
}
