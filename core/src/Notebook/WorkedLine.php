<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Outcome;

/** What a line of working comes to, or what it waits for. */
final readonly class WorkedLine
{
    /**
     * @param  string  $key  of its inputs: the same key, the same result
     * @param  Outcome|null  $outcome  null when its formula or its inputs are no good
     * @param  string|null  $needs  what is missing, and what to do
     * @param  string|null  $problem  what is wrong with it
     * @param  int|null  $position  character of its formula the problem is at, from 1
     */
    private function __construct(
        public string $symbol,
        public ?int $run,
        public string $key,
        public ?Outcome $outcome,
        public ?string $needs = null,
        public ?string $problem = null,
        public ?int $position = null,
    ) {
    }

    public static function of(Line $line, ?int $run, string $key, Outcome $outcome): self
    {
        return new self($line->symbol, $run, $key, $outcome, $outcome->needs);
    }

    public static function waiting(Line $line, ?int $run, string $key, string $needs): self
    {
        return new self($line->symbol, $run, $key, null, $needs);
    }

    public static function problem(Line $line, ?int $run, string $key, string $problem, ?int $position = null): self
    {
        return new self($line->symbol, $run, $key, null, problem: $problem, position: $position);
    }

    /** The line's result. */
    public function result(): ?Measured
    {
        $values = array_values($this->outcome->values ?? []);

        return $values[0] ?? null;
    }

    /** @param  string  $symbol  of the line, or of one of its results (eq.pH) */
    public function value(string $symbol): ?Measured
    {
        $parts = explode('.', $symbol, 2);

        return isset($parts[1]) ? $this->outcome->values[$parts[1]] ?? null : $this->result();
    }
}
