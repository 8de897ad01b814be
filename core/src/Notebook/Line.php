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
     * @param  array<int, string>  $guesses  what somebody thinks the result is, by run, as it was typed: number, unit and digits are judged later. No result rests on them. 0: of a line that is not for each run
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
        public array $guesses = [],
    ) {
    }

    /** What somebody thinks its result is, in a run or of the experiment. */
    public function guessOf(?int $run): ?string
    {
        return $this->guesses[$this->isPerRun ? $run : 0] ?? null;
    }
}
