<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/**
 * A measured value written with the digits its uncertainty allows.
 *
 * The uncertainty keeps one significant digit, or two when it begins with 1, so that rounding never changes it
 * by more than about a fifth; the value ends at the same decimal place (after JCGM 100:2008, 7.2.6).
 */
final readonly class Digits
{
    /** Significant digits of a value that has no uncertainty: entries are typed with no more. */
    private const EXACT_DIGITS = 10;

    /** Of one that needs more than that, as 1/6 does: it was worked out, and nobody knows so many of its digits. */
    private const WORKED_OUT_DIGITS = 6;

    /** Less than this of a value is what is left of rounding, and no uncertainty: a line through exact points has it. */
    private const ROUNDING = 1e-12;

    private function __construct(public string $value, public string $uncertainty, public int $decimals)
    {
    }

    /** A value with the digits its uncertainty allows; one without uncertainty as it was typed. */
    public static function of(Measured $measured): self
    {
        if ($measured->uncertainty <= self::ROUNDING * abs($measured->value)) {
            return new self(self::exact($measured->value), '', 0);
        }
        $decimals = self::decimalsFor($measured->uncertainty);

        return new self(
            self::fixed($measured->value, $decimals),
            self::fixed($measured->uncertainty, $decimals),
            $decimals,
        );
    }

    /** A value with its ± and unit, as it stands in a sentence: "100.3 ± 0.4 L". */
    public static function told(Measured $measured): string
    {
        $digits = self::of($measured);

        return trim(strtr($digits->value, ['-' => '−']).($digits->uncertainty === '' ? '' : " ± {$digits->uncertainty}")." {$measured->unit->symbol}");
    }

    /** A number of which no ± is known, in a sentence: four digits, and a real minus sign. */
    public static function plain(float $value): string
    {
        return strtr((string) json_encode((float) sprintf('%.4g', $value)), ['-' => '−']);
    }

    /** The last decimal place an uncertainty speaks of: 2 for 0.06, 3 for 0.012, 0 for 30. */
    public static function decimalsFor(float $uncertainty): int
    {
        $magnitude = (int) floor(log10($uncertainty));
        $leading = $uncertainty / 10 ** $magnitude;
        // 0.096 rounds to 0.10, whose first digit has moved one place up and begins with 1: 0.10.
        if ($leading >= 9.5) {
            return max(0, -$magnitude);
        }

        return max(0, $leading < 1.95 ? 1 - $magnitude : -$magnitude);
    }

    /** Digits after the point that a resolution reaches: 1 for 0.1, 2 for 0.05, 4 for 0.0005; 3 where it is not known. */
    public static function decimalsOf(float $resolution): int
    {
        return $resolution > 0.0 ? max(0, (int) ceil(-log10($resolution) - 1e-9)) : 3;
    }

    /** A number with a fixed count of decimals and a point, no thousands mark; minus zero is written 0. */
    public static function fixed(float $value, int $decimals): string
    {
        $text = number_format($value, $decimals, '.', '');

        return (float) $text === 0.0 ? ltrim($text, '-') : $text;
    }

    /** A round number as people write it in a rule: 0.001, 200, 1e12. */
    public static function round(float $value): string
    {
        $size = abs($value);
        if ($size === 0.0 || ($size >= 1e-5 && $size <= 1e6)) {
            return self::exact($value);
        }
        [$digits, $power] = explode('e', sprintf('%.2e', $value));

        return rtrim(rtrim($digits, '0'), '.').'e'.(int) $power;
    }

    /** A number of which no ± is known, as it was typed; what was worked out with the digits that mean something. */
    public static function exact(float $value): string
    {
        $written = (float) sprintf('%.'.self::EXACT_DIGITS.'g', $value);
        $isTyped = abs($written - $value) <= self::ROUNDING * abs($value);

        return strtr((string) json_encode($isTyped ? $written : (float) sprintf('%.'.self::WORKED_OUT_DIGITS.'g', $value)), ['.0e' => 'e']);
    }
}
