<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** Rows taken together. */
final readonly class Run
{
    /**
     * @param  string  $revision  another one whenever its rows are others
     * @param  \Closure(): RunData  $data  read when something is worked out from it
     * @param  array<string, string>  $revisions  by symbol, of columns whose cells change by themselves; of the others the whole run's counts
     * @param  string|null  $aside  why it does not count among the runs; null: it does
     */
    public function __construct(
        public int $id,
        public int $number,
        public string $name,
        public ?string $condition,
        public ?int $trial,
        public string $revision,
        public \Closure $data,
        private array $revisions = [],
        public ?string $aside = null,
    ) {
    }

    /** Another one whenever the cells of a column, or which of its rows count, are others. */
    public function revisionOf(string $symbol): string
    {
        return $this->revisions[$symbol] ?? $this->revision;
    }
}
