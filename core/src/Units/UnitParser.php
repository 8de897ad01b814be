<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

use Welkion\Core\Exception\UnknownUnit;

/**
 * Reads a unit as people write it: "mL", "mol/L", "J/(g K)", "cm3", "cm³", "mL^-1", "10^6/mL".
 *
 * A slash divides by all that follows it up to the next slash, as in "J/g K": that is how it is meant on paper.
 *
 * @internal reached through Unit::parse()
 */
final class UnitParser
{
    private const SUPERSCRIPTS = [
        '⁻' => '-', '⁰' => '0', '¹' => '1', '²' => '2', '³' => '3', '⁴' => '4', '⁵' => '5', '⁶' => '6', '⁷' => '7',
        '⁸' => '8', '⁹' => '9', '−' => '-', '×' => ' ', '·' => ' ', '⋅' => ' ', '*' => ' ',
    ];

    /** No quantity has a higher power of anything; and with higher ones factors leave the range of numbers. */
    private const LARGEST_POWER = 20.0;

    /** @var list<string> slashes, brackets and words */
    private array $tokens;

    private int $next = 0;

    private function __construct(private readonly string $text)
    {
        $plain = strtr($text, self::SUPERSCRIPTS);
        // A dot between letters stands for "times", as in mol.L-1.
        $plain = (string) preg_replace('/(?<=\p{L})\.(?=\p{L})/u', ' ', $plain);
        preg_match_all('/\^\([^)]*\)|[\/()]|[^\s\/()^]+(?:\^\([^)]*\)|\^[^\s\/()]+)?/u', $plain, $match);
        $this->tokens = $match[0];
    }

    /** @throws UnknownUnit If a part of the text names no unit. */
    public static function parse(string $text): Unit
    {
        $text = trim($text);
        // A temperature standing alone keeps its zero; inside a product only its differences count.
        $alone = UnitTable::find($text);
        if ($text === '' || $alone !== null) {
            return $alone ?? Unit::one();
        }
        $parser = new self($text);
        try {
            $unit = $parser->quotient();
        } catch (\ArithmeticError) {
            // A factor so small that nothing can be divided by it.
            throw UnknownUnit::in($text, $text, UnitTable::nearest($text));
        }
        if ($parser->next < count($parser->tokens)) {
            throw UnknownUnit::in($parser->tokens[$parser->next], $text, UnitTable::nearest($parser->tokens[$parser->next]));
        }
        if (! is_finite($unit->factor) || $unit->factor <= 0.0 || ! is_finite(1.0 / $unit->factor)) {
            throw UnknownUnit::in($text, $text, UnitTable::nearest($text));
        }

        return $unit;
    }

    private function quotient(): Unit
    {
        $unit = $this->product();
        while ($this->takes('/')) {
            $unit = $unit->per($this->product());
        }

        return $unit;
    }

    private function product(): Unit
    {
        $unit = null;
        while (isset($this->tokens[$this->next]) && $this->tokens[$this->next] !== '/' && $this->tokens[$this->next] !== ')') {
            $factor = $this->factor();
            $unit = $unit === null ? $factor : $unit->times($factor);
        }

        return $unit ?? throw UnknownUnit::in($this->text, $this->text, UnitTable::nearest($this->text));
    }

    private function takes(string $sign): bool
    {
        $isNext = isset($this->tokens[$this->next]) && $this->tokens[$this->next] === $sign;
        $this->next += $isNext ? 1 : 0;

        return $isNext;
    }

    private function factor(): Unit
    {
        $token = $this->tokens[$this->next++];
        if ($token === '(') {
            $unit = $this->quotient();
            if (! $this->takes(')')) {
                throw UnknownUnit::in($this->text, $this->text, UnitTable::nearest($this->text));
            }

            return $unit;
        }
        $unit = UnitTable::find($token) ?? self::number($token);
        if ($unit !== null) {
            return $unit->difference();
        }
        if (preg_match('/^(.*?[^\d^+-])\^?\(?([+-]?\d+(?:\.\d+)?)(?:\/(\d+))?\)?$/u', $token, $match) === 1) {
            $base = UnitTable::find($match[1]);
            if ($base !== null) {
                $divisor = (float) ($match[3] ?? 1);
                $power = $divisor === 0.0 ? INF : (float) $match[2] / $divisor;

                return abs($power) <= self::LARGEST_POWER ? $base->difference()->toPower($power) : throw UnknownUnit::in($token, $this->text, UnitTable::nearest($token));
            }
        }

        throw UnknownUnit::in($token, $this->text, UnitTable::nearest($token));
    }

    /** A plain factor in front, as in 10^6/mL. */
    private static function number(string $token): ?Unit
    {
        if (preg_match('/^(\d+(?:\.\d+)?)(?:\^(-?\d+))?$/', $token, $match) !== 1) {
            return null;
        }
        $factor = (float) $match[1] ** (int) ($match[2] ?? 1);

        return $factor > 0.0 && is_finite($factor) ? new Unit($factor === 1.0 ? [] : [$token => 1.0], Dimension::none(), $factor) : null;
    }
}
