<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;

/** One numbered line of working: a result, what it rests on, and how it was found. */
final readonly class Line
{
    /**
     * @param  Measured|null  $result  null while something is missing
     * @param  string  $method  in words, how the result is found
     * @param  string  $formula  in symbols
     * @param  string  $numbers  the formula with numbers and units put in
     * @param  list<string>  $uses  keys of the lines it rests on
     * @param  list<Warning>  $warnings
     * @param  string|null  $needs  what is missing, and what to do about it
     */
    public function __construct(
        public string $key,
        public string $title,
        public ?Measured $result,
        public string $method,
        public string $formula = '',
        public string $numbers = '',
        public array $uses = [],
        public array $warnings = [],
        public ?string $needs = null,
    ) {
    }
}
