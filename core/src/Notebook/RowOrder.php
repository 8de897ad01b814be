<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/**
 * Which rows of a typed run there are, and in which order they stand. A row keeps its number for ever: what is typed into it,
 * set aside or changed on another screen is found again wherever it stands now. One that is deleted only leaves the order.
 *
 * Kept as stretches of numbers that follow each other, so that a hundred thousand rows are one stretch.
 */
final readonly class RowOrder
{
    /** @param  list<array{int, int}>  $stretches  first and last number, from 1 */
    private function __construct(private array $stretches)
    {
    }

    /** Rows 1, 2, 3 ... */
    public static function of(int $count): self
    {
        return new self($count > 0 ? [[1, $count]] : []);
    }

    /**
     * As toArray() gave it.
     *
     * @param  array<mixed>  $stretches
     */
    public static function fromArray(array $stretches): self
    {
        $read = [];
        foreach ($stretches as $stretch) {
            if (is_array($stretch) && is_int($stretch[0] ?? null) && is_int($stretch[1] ?? null) && $stretch[0] >= 1 && $stretch[1] >= $stretch[0]) {
                $read[] = [$stretch[0], $stretch[1]];
            }
        }

        return new self($read);
    }

    /** @return list<array{int, int}> */
    public function toArray(): array
    {
        return $this->stretches;
    }

    public function count(): int
    {
        return array_sum(array_map(static fn (array $s): int => $s[1] - $s[0] + 1, $this->stretches));
    }

    /** @return list<int> the numbers of so many rows from a place on, as they stand; fewer at the end */
    public function rows(int $from = 0, int $count = PHP_INT_MAX): array
    {
        $rows = [];
        $place = 0;
        foreach ($this->stretches as [$first, $last]) {
            $begin = $first + max(0, $from - $place);
            $end = min($last, $begin + $count - count($rows) - 1);
            if ($end >= $begin) {
                // Most tables are one stretch.
                $rows === [] ? $rows = range($begin, $end) : array_push($rows, ...range($begin, $end));
            }
            $place += $last - $first + 1;
        }

        return $rows;
    }

    /** Whether rows 1, 2, 3 ... stand as they were made, none of them deleted. */
    public function isPlain(): bool
    {
        return $this->stretches === [] || (count($this->stretches) === 1 && $this->stretches[0][0] === 1);
    }

    /** Where a row stands, from 0; null if it does not. */
    public function placeOf(int $row): ?int
    {
        $place = 0;
        foreach ($this->stretches as [$first, $last]) {
            if ($row >= $first && $row <= $last) {
                return $place + $row - $first;
            }
            $place += $last - $first + 1;
        }

        return null;
    }

    /** Puts new rows in, before the row that stands at a place; at the end where none does. */
    public function with(int $firstRow, int $count, int $place): self
    {
        return $count < 1 ? $this : $this->put([[$firstRow, $firstRow + $count - 1]], $place);
    }

    /** Without so many rows from a place on. */
    public function without(int $place, int $count): self
    {
        [$before, $rest] = $this->cut($place);

        return new self(self::merged([...$before, ...(new self($rest))->cut($count)[1]]));
    }

    /** So many rows from a place on are put before the row that stands at another place. */
    public function moved(int $place, int $count, int $before): self
    {
        $taken = (new self((new self($this->cut($place)[1]))->cut($count)[0]))->stretches;
        $to = $before > $place ? max($place, $before - $count) : $before;

        return $this->without($place, $count)->put($taken, $to);
    }

    /** @param  list<array{int, int}>  $stretches */
    private function put(array $stretches, int $place): self
    {
        [$before, $after] = $this->cut($place);

        return new self(self::merged([...$before, ...$stretches, ...$after]));
    }

    /** @return array{list<array{int, int}>, list<array{int, int}>} what stands before a place, and what stands there and after */
    private function cut(int $place): array
    {
        $before = $after = [];
        foreach ($this->stretches as [$first, $last]) {
            $taken = min($last - $first + 1, max(0, $place));
            $place -= $taken;
            $taken > 0 && $before[] = [$first, $first + $taken - 1];
            $taken <= $last - $first && $after[] = [$first + $taken, $last];
        }

        return [$before, $after];
    }

    /**
     * Stretches that go on from each other are one.
     *
     * @param  list<array{int, int}>  $stretches
     * @return list<array{int, int}>
     */
    private static function merged(array $stretches): array
    {
        $merged = [];
        foreach ($stretches as [$first, $last]) {
            $end = count($merged) - 1;
            if ($end >= 0 && $merged[$end][1] === $first - 1) {
                $merged[$end][1] = $last;
            } else {
                $merged[] = [$first, $last];
            }
        }

        return $merged;
    }
}
