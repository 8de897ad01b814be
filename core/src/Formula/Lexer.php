<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

/**
 * Cuts a formula into words.
 *
 * @internal used by Parser alone
 */
final class Lexer
{
    /** Signs as people write or paste them. */
    private const SIGNS = ['×' => '*', '·' => '*', '⋅' => '*', '÷' => '/', '−' => '-', '–' => '-'];

    private const POWERS = ['⁰' => '0', '¹' => '1', '²' => '2', '³' => '3', '⁴' => '4', '⁵' => '5', '⁶' => '6', '⁷' => '7', '⁸' => '8', '⁹' => '9', '⁻' => '-'];

    private const PATTERN = '/\G(?:
        (?<space>\s+)
        | (?<number>(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+(?![\p{L}\d_]))?)
        | (?<name>[\p{L}_][\p{L}\d_\x{2080}-\x{2089}\x{0394}\']*(?:\.[\p{L}_][\p{L}\d_]*)?)
        | \[(?<unit>[^\[\]]*)\]
        | (?<raised>[⁰¹²³⁴-⁹⁻]+)
        | (?<sign>[-+*\/^(),]|[×·⋅÷−–])
    )/xu';

    /**
     * @return non-empty-list<Token> ending with one of kind End
     *
     * @throws FormulaError If a character belongs to no formula.
     */
    public static function tokens(string $text): array
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw FormulaError::notText();
        }
        $tokens = [];
        $offset = 0;
        $position = 1;
        while ($offset < strlen($text)) {
            if (preg_match(self::PATTERN, $text, $match, PREG_UNMATCHED_AS_NULL, $offset) !== 1) {
                throw FormulaError::strangeCharacter(mb_substr($text, $position - 1, 1), $position);
            }
            array_push($tokens, ...self::made($match, $position));
            $offset += strlen((string) $match[0]);
            $position += mb_strlen((string) $match[0]);
        }
        $tokens[] = new Token(TokenKind::End, '', $position);

        return $tokens;
    }

    /**
     * @param  array<int|string, string|null>  $match
     * @return list<Token>
     */
    private static function made(array $match, int $position): array
    {
        return match (true) {
            isset($match['number']) => [new Token(TokenKind::Number, $match['number'], $position)],
            isset($match['name']) => [new Token(TokenKind::Name, $match['name'], $position)],
            isset($match['unit']) => [new Token(TokenKind::Unit, trim($match['unit']), $position)],
            isset($match['sign']) => [new Token(TokenKind::Sign, self::SIGNS[$match['sign']] ?? $match['sign'], $position)],
            isset($match['raised']) => self::power(strtr($match['raised'], self::POWERS), $position),
            default => [],
        };
    }

    /** @return list<Token> x² is x^2 */
    private static function power(string $exponent, int $position): array
    {
        $tokens = [new Token(TokenKind::Sign, '^', $position)];
        if ($exponent[0] === '-') {
            $tokens[] = new Token(TokenKind::Sign, '-', $position);
        }
        $tokens[] = new Token(TokenKind::Number, ltrim($exponent, '-'), $position);

        return $tokens;
    }
}
