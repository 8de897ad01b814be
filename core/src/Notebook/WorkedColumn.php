<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Working\ColumnInput;

/** The cells of a column in one run, or why there are none. */
final class WorkedColumn
{
    private ?bool $isWhole = null;

    /**
     * @param  ColumnInput|null  $cells  null if it cannot be worked out
     * @param  string|null  $problem  why not
     * @param  int|null  $position  character of its formula the problem is at, from 1
     * @param  list<string>  $notes  to know about its formula
     */
    private function __construct(public readonly ?ColumnInput $cells, public readonly ?string $problem = null, public readonly ?int $position = null, public readonly array $notes = [])
    {
    }

    /** @param  list<string>  $notes */
    public static function of(ColumnInput $cells, array $notes = []): self
    {
        return new self($cells, notes: $notes);
    }

    public static function problem(string $problem, ?int $position = null): self
    {
        return new self(null, $problem, $position);
    }

    /** Whether there is a number in each of its rows; not if it cannot be worked out. Of a long column it is asked often, and found out once. */
    public function isWhole(): bool
    {
        return $this->isWhole ??= $this->cells !== null && ($this->cells->isRising() || self::areFinite($this->cells->values));
    }

    /** @param  list<float>  $values */
    private static function areFinite(array $values): bool
    {
        // A sum is finite where each of its parts is; one of very large numbers may not be though they are.
        return is_finite(array_sum($values)) || array_filter($values, static fn (float $v): bool => ! is_finite($v)) === [];
    }
}
