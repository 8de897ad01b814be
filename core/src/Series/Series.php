<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Working\Rising;

/** Points in rising order of x, each x once: what derivatives and interpolation take for granted. */
final class Series
{
    /** Area down to zero, once it was asked for. */
    private ?float $trapezoids = null;

    /**
     * @param  list<float>  $x  rising, no value twice
     * @param  list<float>  $y  same length as $x
     * @param  int  $merged  how many points were averaged into another with the same x
     */
    private function __construct(public readonly array $x, public readonly array $y, public readonly int $merged)
    {
    }

    /**
     * Points in any order; those with the same x are averaged, and how many is kept in $merged.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y  same length as $x
     * @param  bool|null  $isRising  whether each x is larger than the one before; null: not known
     *
     * @throws UnequalLengths If the columns differ in length.
     * @throws InvalidQuantity If a number is not finite.
     */
    public static function of(array $x, array $y, ?bool $isRising = null): self
    {
        if (count($x) !== count($y)) {
            throw UnequalLengths::between(count($x), count($y));
        }
        // What rises is finite. A sum is finite where each of its parts is; one of very large numbers may not be though they are.
        foreach ($isRising === true ? [$y] : [$x, $y] as $numbers) {
            if (! is_finite(array_sum($numbers)) && array_filter($numbers, static fn (float $v): bool => ! is_finite($v)) !== []) {
                throw InvalidQuantity::mustBeFinite('value of every point');
            }
        }
        // Most columns are: then there is nothing to put in order.
        if ($isRising ?? Rising::is($x)) {
            return new self($x, $y, 0);
        }
        array_multisort($x, SORT_ASC, SORT_NUMERIC, $y);
        $xs = [];
        $ys = [];
        $counts = [];
        foreach ($x as $i => $value) {
            $last = count($xs) - 1;
            if ($last >= 0 && $xs[$last] === $value) {
                $counts[$last]++;
                $ys[$last] += ($y[$i] - $ys[$last]) / $counts[$last];

                continue;
            }
            $xs[] = $value;
            $ys[] = $y[$i];
            $counts[] = 1;
        }

        return new self($xs, array_values($ys), count($x) - count($xs));
    }

    /** How many points there are. */
    public function count(): int
    {
        return count($this->x);
    }

    /** The points with $from <= x <= $to. */
    public function between(float $from, float $to): self
    {
        $x = [];
        $y = [];
        foreach ($this->x as $i => $value) {
            if ($value >= $from && $value <= $to) {
                $x[] = $value;
                $y[] = $this->y[$i];
            }
        }

        return new self($x, $y, $this->merged);
    }

    /** The points from this index on. */
    public function from(int $index): self
    {
        return new self(array_slice($this->x, $index), array_slice($this->y, $index), $this->merged);
    }

    /** The same points without the one at this index. */
    public function without(int $index): self
    {
        $x = $this->x;
        $y = $this->y;
        array_splice($x, $index, 1);
        array_splice($y, $index, 1);

        return new self($x, $y, $this->merged);
    }

    /** y at this x on the straight line between its neighbours; null outside the points. */
    public function at(float $x): ?float
    {
        $last = count($this->x) - 1;
        if ($last < 0 || $x < $this->x[0] || $x > $this->x[$last]) {
            return null;
        }
        if ($last === 0) {
            return $this->y[0];
        }
        $i = $this->after($x);
        $share = ($x - $this->x[$i - 1]) / ($this->x[$i] - $this->x[$i - 1]);

        return $this->y[$i - 1] + $share * ($this->y[$i] - $this->y[$i - 1]);
    }

    /** Slope of the straight line between the neighbours of this x, in y per x; null outside the points. */
    public function slopeAt(float $x): ?float
    {
        $last = count($this->x) - 1;
        if ($last < 1 || $x < $this->x[0] || $x > $this->x[$last]) {
            return null;
        }
        $i = $this->after($x);

        return ($this->y[$i] - $this->y[$i - 1]) / ($this->x[$i] - $this->x[$i - 1]);
    }

    /** Index of the last point at or before this x; 0 if all lie after it. */
    public function lastUpTo(float $x): int
    {
        if ($x >= $this->x[count($this->x) - 1]) {
            return count($this->x) - 1;
        }
        if ($x <= $this->x[0]) {
            return 0;
        }
        $after = $this->after($x);

        return $this->x[$after] === $x ? $after : $after - 1;
    }

    /** Index of the first point at or after this x, which lies between the ends; at least 1. */
    private function after(float $x): int
    {
        [$low, $high] = [0, count($this->x) - 1];
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            $this->x[$middle] < $x ? $low = $middle : $high = $middle;
        }

        return $high;
    }

    /**
     * Area between the points and a baseline by trapezoids, in the unit of x times the unit of y.
     *
     * @throws NotEnoughPoints If there is no point.
     */
    public function area(Baseline $baseline = Baseline::Zero): float
    {
        $last = count($this->x) - 1;
        if ($last < 0) {
            throw NotEnoughPoints::need('An area', 1, 0);
        }
        $area = $this->trapezoids ??= self::trapezoids($this->x, $this->y);

        return $area - ($this->x[$last] - $this->x[0]) * match ($baseline) {
            Baseline::Zero => 0.0,
            Baseline::FirstPoint => $this->y[0],
            Baseline::Ends => ($this->y[0] + $this->y[$last]) / 2.0,
        };
    }

    /**
     * @param  list<float>  $x  at least one
     * @param  list<float>  $y  same length
     */
    private static function trapezoids(array $x, array $y): float
    {
        $twice = 0.0;
        [$beforeX, $beforeY] = [$x[0], $y[0]];
        foreach ($y as $i => $height) {
            $at = $x[$i];
            $twice += ($at - $beforeX) * ($height + $beforeY);
            $beforeX = $at;
            $beforeY = $height;
        }

        return $twice / 2.0;
    }

    /**
     * dy/dx between each two neighbours, placed half way between them, for steps of any size.
     *
     * Applied twice it gives the second derivative (difference quotients of uneven steps; Burden and Faires,
     * Numerical Analysis, 4.1).
     */
    public function derivative(): self
    {
        $x = [];
        $slope = [];
        for ($i = 1, $n = count($this->x); $i < $n; $i++) {
            $step = $this->x[$i] - $this->x[$i - 1];
            $x[] = $this->x[$i - 1] + $step / 2;
            $slope[] = ($this->y[$i] - $this->y[$i - 1]) / $step;
        }

        return new self($x, $slope, $this->merged);
    }
}
