<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formula\Node\FunctionName;

/** What is wrong with a formula, and at which character. */
final class FormulaError extends \DomainException implements CoreException
{
    /**
     * @param  int  $position  character of the formula, from 1
     * @param  string|null  $inKelvin  a symbol that would do if it were in kelvin
     */
    private function __construct(string $message, public readonly int $position, public readonly ?string $inKelvin = null)
    {
        parent::__construct($message);
    }

    /** For anything else at a place of the formula. */
    public static function at(int $position, string $sentence): self
    {
        return new self("At character {$position}: {$sentence}", $position);
    }

    /** For bytes that are no text. */
    public static function notText(): self
    {
        return self::at(1, 'the formula is not readable as UTF-8 text.');
    }

    /** For a formula of blanks. */
    public static function isEmpty(): self
    {
        return self::at(1, 'the formula is empty. Write one like V/T.');
    }

    /** For a character that belongs to no formula. */
    public static function strangeCharacter(string $character, int $position): self
    {
        return self::at($position, "\"{$character}\" cannot stand in a formula.");
    }

    /** For an opening bracket without its partner. */
    public static function bracketNotClosed(int $opened): self
    {
        return self::at($opened, 'the bracket opened here is never closed.');
    }

    /** For a closing bracket without its partner. */
    public static function bracketNeverOpened(int $position): self
    {
        return self::at($position, 'this bracket closes none that was opened.');
    }

    /** For a sign that nothing follows. */
    public static function valueMissing(int $position, string $after): self
    {
        return self::at($position, "a number or a name is missing after \"{$after}\".");
    }

    /** For two values without a sign between them. */
    public static function signMissing(int $position, string $next): self
    {
        return self::at($position, "an operation is missing before \"{$next}\". Multiplication is written with *.");
    }

    /** For a function that is not known. */
    public static function unknownFunction(string $name, int $position, ?string $nearest): self
    {
        if ($name === 'log') {
            return self::at($position, '"log" could mean two things: write ln or log10.');
        }

        return self::at($position, "\"{$name}\" is not a function.".self::suggestion($nearest));
    }

    /** For too many or too few arguments. */
    public static function wrongArguments(FunctionName $function, int $given, int $position): self
    {
        return self::at($position, sprintf('%s takes %d, but %d %s given: write %s.', $function->value,
            $function->argumentCount(), $given, $given === 1 ? 'is' : 'are', $function->usage()));
    }

    /** For the name of a function used as a value. */
    public static function functionWithoutBrackets(string $name, int $position): self
    {
        return self::at($position, "\"{$name}\" is a function: write {$name}( ) with something in its brackets.");
    }

    /** For a name that stands for nothing. */
    public static function unknownName(string $name, int $position, ?string $nearest): self
    {
        return self::at($position, "\"{$name}\" is not a column, an entry or a constant here.".self::suggestion($nearest));
    }

    /** For units that do not fit. */
    public static function badUnit(int $position, string $reason): self
    {
        return self::at($position, $reason);
    }

    /** For a function that looks at several rows where a derivative is needed. */
    public static function noDerivative(FunctionName $function, int $position): self
    {
        return self::at($position, "{$function->value} looks at more than one row, so it cannot be differentiated for a fit or an uncertainty.");
    }

    private static function suggestion(?string $nearest): string
    {
        return $nearest === null ? '' : " Did you mean \"{$nearest}\"?";
    }

    /** For a temperature whose zero is not zero, where a product or a ratio needs one. */
    public static function needsKelvin(int $position, string $what, string $unit, ?string $symbol): self
    {
        return new self("At character {$position}: {$what} is in {$unit}, which does not start at zero; a product or a ratio needs kelvin. Convert the column to K first.", $position, $symbol);
    }
}
