<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** One typed value: for the experiment, or one for each run. */
final readonly class Entry
{
    /**
     * @param  Measured|null  $value  null while it is not typed
     * @param  array<int, Measured>  $ofRuns  of an entry for each run, by run
     * @param  string|null  $text  of an entry that is a word, as the name of a sample
     */
    public function __construct(
        public string $symbol,
        public string $name,
        public Unit $unit,
        public ?Measured $value = null,
        public bool $isPerRun = false,
        public array $ofRuns = [],
        public ?string $text = null,
    ) {
    }

    public function valueOf(?int $run): ?Measured
    {
        return $this->isPerRun ? ($run === null ? null : $this->ofRuns[$run] ?? null) : $this->value;
    }
}
