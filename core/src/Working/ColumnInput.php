<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/**
 * A column as a method gets it: the rows that count, without blanks; how each scatters by itself, and what moves all of them
 * together, as the calibration they were read by.
 */
final class ColumnInput
{
    private ?bool $isRising = null;

    /**
     * @param  string  $name  its symbol, or what it is called in a file
     * @param  list<float>  $values
     * @param  list<float>|null  $scatter  standard uncertainty of each row by itself; null: not known
     * @param  list<array{Source, list<float>}>  $common  sources all rows share, with how far each row moves by them
     */
    public function __construct(public readonly string $name, public readonly Unit $unit, public readonly array $values, public readonly ?array $scatter = null, public readonly array $common = [])
    {
    }

    /** Whether each value is larger than the one before; found once. */
    public function isRising(): bool
    {
        return $this->isRising ??= Rising::is($this->values);
    }

    /** @return array{float, float} the smallest and the largest value; not a number where there is none */
    public function ends(): array
    {
        if ($this->values === []) {
            return [NAN, NAN];
        }

        return $this->isRising() ? [$this->values[0], $this->values[count($this->values) - 1]] : [min($this->values), max($this->values)];
    }

    /** Standard uncertainty of one row, with all it shares; 0 where nothing is known. */
    public function uncertainty(int $row): float
    {
        return array_reduce($this->common, static fn (float $sum, array $share): float => hypot($sum, $share[1][$row]), $this->scatter[$row] ?? 0.0);
    }

    /** The largest of them. */
    public function largestUncertainty(): float
    {
        $largest = 0.0;
        foreach (array_keys($this->values) as $row) {
            $largest = max($largest, $this->uncertainty($row));
        }

        return $largest;
    }

    /** The same column where a source is off by its standard uncertainty. */
    public function movedBy(Source $source): self
    {
        $shares = $this->sharesOf($source);

        return $shares === null ? $this : new self($this->name, $this->unit, array_map(static fn (float $v, float $s): float => $v + $s, $this->values, $shares), $this->scatter, $this->common);
    }

    /** @return list<float>|null how far each row moves by a source; null if it does not */
    public function sharesOf(Source $source): ?array
    {
        foreach ($this->common as [$own, $shares]) {
            if ($own->identity() === $source->identity()) {
                return $shares;
            }
        }

        return null;
    }

    /** @param  list<int>  $rows  from 0: only these, in this order */
    public function only(array $rows): self
    {
        return new self($this->name, $this->unit, self::at($this->values, $rows), $this->scatter === null ? null : self::at($this->scatter, $rows),
            array_map(static fn (array $share): array => [$share[0], self::at($share[1], $rows)], $this->common));
    }

    /**
     * So many rows from one on, counted from 0.
     *
     * @param  list<int>  $without  rows of the column that are left out
     */
    public function stretch(int $first, int $count, array $without = []): self
    {
        $gone = [];
        foreach ($without as $row) {
            $gone[$row - $first] = true;
        }

        $stretch = new self($this->name, $this->unit, self::cut($this->values, $first, $count, $gone), $this->scatter === null ? null : self::cut($this->scatter, $first, $count, $gone),
            array_map(static fn (array $share): array => [$share[0], self::cut($share[1], $first, $count, $gone)], $this->common));
        // A part of what rises does, too.
        $stretch->isRising = $this->isRising === true ? true : null;

        return $stretch;
    }

    /**
     * @param  list<float>  $list
     * @param  array<int, true>  $gone  by place from the first
     * @return list<float>
     */
    private static function cut(array $list, int $first, int $count, array $gone): array
    {
        $cut = $first === 0 && $count === count($list) ? $list : array_slice($list, $first, $count);

        return $gone === [] ? $cut : array_values(array_diff_key($cut, $gone));
    }

    /**
     * @param  list<float>  $list
     * @param  list<int>  $rows
     * @return list<float>
     */
    private static function at(array $list, array $rows): array
    {
        return array_map(static fn (int $row): float => $list[$row], $rows);
    }
}
