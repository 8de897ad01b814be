<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** Rows taken together. */
final class Run
{
    /** @var array<string, string>|null */
    private ?array $known = null;

    /**
     * @param  string  $revision  another one whenever its rows are others
     * @param  \Closure(): RunData  $data  read when something is worked out from it
     * @param  (\Closure(): array<string, string>)|null  $revisions  by symbol, of columns whose cells change by themselves; of the others the whole run's counts
     * @param  string|null  $aside  why it does not count among the runs; null: it does
     */
    public function __construct(
        public readonly int $id,
        public readonly int $number,
        public readonly string $name,
        public readonly ?string $condition,
        public readonly ?int $trial,
        public readonly string $revision,
        public readonly \Closure $data,
        private readonly ?\Closure $revisions = null,
        public readonly ?string $aside = null,
    ) {
    }

    /** Another one whenever the cells of a column, or which of its rows count, are others. */
    public function revisionOf(string $symbol): string
    {
        $this->known ??= $this->revisions === null ? [] : ($this->revisions)();

        return $this->known[$symbol] ?? $this->revision;
    }
}
