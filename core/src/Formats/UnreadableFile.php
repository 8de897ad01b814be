<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

use Welkion\Core\Exception\CoreException;

/** A file that holds no table. */
final class UnreadableFile extends \DomainException implements CoreException
{
    /** For a picture, a workbook or the like. */
    public static function notText(): self
    {
        return new self('This file is not text. Save the table as CSV (comma separated values) and try again.');
    }

    /** For a file without line ends. */
    public static function lineTooLong(): self
    {
        return new self('This file has a line of more than a million characters, so it holds no table. Save the table as CSV and try again.');
    }

    /** For a file without rows. */
    public static function isEmpty(): self
    {
        return new self('This file holds no rows of numbers.');
    }

    /** For a column that is not there. */
    public static function noColumn(string $wanted, string $known): self
    {
        return new self("There is no column \"{$wanted}\". The columns are: {$known}.");
    }

    /** For a name that more than one column has. */
    public static function severalColumns(string $wanted, string $symbols): self
    {
        return new self("Several columns are called \"{$wanted}\". Name one by its symbol: {$symbols}.");
    }

    /** For a column that cannot be computed with. */
    public static function notNumbers(string $name, string $kind): self
    {
        return new self("The column \"{$name}\" holds {$kind}, not numbers.");
    }
}
