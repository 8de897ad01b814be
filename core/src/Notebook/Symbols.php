<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\Node\FunctionName;

/** The names by which formulas know entries, columns and lines. */
final class Symbols
{
    public const LONGEST = 20;

    private const PATTERN = '/^[\p{L}_][\p{L}\d_\x{2080}-\x{2089}\x{0394}\']*$/u';

    /** @throws InvalidQuantity If it cannot be a symbol. */
    public static function require(string $symbol): string
    {
        if (preg_match(self::PATTERN, $symbol) !== 1 || mb_strlen($symbol) > self::LONGEST) {
            throw new InvalidQuantity("\"{$symbol}\" cannot be a symbol: begin with a letter, then letters, digits and _, at most ".self::LONGEST.' in all.');
        }
        if (FunctionName::tryFrom($symbol) !== null || $symbol === 'log') {
            throw new InvalidQuantity("\"{$symbol}\" is a function; choose another symbol.");
        }

        return $symbol;
    }

    public static function taken(string $symbol): InvalidQuantity
    {
        return new InvalidQuantity("The symbol \"{$symbol}\" is used twice; each entry, column and line has one of its own.");
    }

    /** The line a result belongs to: eq for eq.pH. */
    public static function base(string $symbol): string
    {
        return explode('.', $symbol, 2)[0];
    }

    /** A formula where a symbol has another name; one that cannot be read stays as it is. */
    public static function renamed(string $formula, string $from, string $to): string
    {
        try {
            return Formula::parse($formula)->renamed($from, $to)->text;
        } catch (CoreException) {
            return $formula;
        }
    }

    /** @return list<string> what a formula uses; nothing of one that cannot be read */
    public static function in(string $formula): array
    {
        try {
            return Formula::parse($formula)->symbols();
        } catch (CoreException) {
            return [];
        }
    }
}
