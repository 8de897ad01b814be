<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Measured;

/** A line of working: a method and what it is given. */
final readonly class Line
{
    /**
     * @param  string  $method  key
     * @param  array<string, string>  $uses  by slot: the symbol of a column, an entry, a line, or one of a line's results (eq.pH)
     * @param  array<string, string>  $texts  by slot
     * @param  array<string, Measured>  $numbers  by slot: typed
     * @param  int|null  $onlyRun  number of the one run it is worked out for, if it is not for each; null: all together
     * @param  string  $words  how the result is found, in the words of a protocol; empty: as the method says
     */
    public function __construct(
        public string $symbol,
        public string $title,
        public string $method,
        public bool $isPerRun,
        public array $uses = [],
        public array $texts = [],
        public array $numbers = [],
        public ?Span $span = null,
        public ?int $onlyRun = null,
        public string $words = '',
    ) {
    }
}
