<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

/** How a table is written, as far as it is known; what is left open is guessed from its first lines. */
final readonly class TableHints
{
    /** What separates cells, by name. */
    public const SEPARATORS = ['tab' => "\t", 'semicolon' => ';', 'bar' => '|', 'comma' => ',', 'blank' => ' '];

    /**
     * @param  key-of<self::SEPARATORS>|null  $separator
     * @param  bool|null  $hasHeader  whether the first line of the table names its columns
     */
    public function __construct(public ?string $separator = null, public ?DecimalMark $mark = null, public ?bool $hasHeader = null)
    {
    }
}
