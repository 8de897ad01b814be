<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Linear\StraightLine;

/**
 * What mean, scatter and the straight line against time need of however many samples: their count, the means of times and
 * values, and the sums of squares and products about these means.
 *
 * Two of them join into what all samples together have, so that those of long stretches are kept beside the samples and only
 * the two ends of a span are read (Chan, Golub and LeVeque, Updating formulae and a pairwise algorithm for computing sample
 * variances, Stanford STAN-CS-79-773, 1979). Sums about means keep their digits where plain sums of squares would not.
 */
final readonly class Moments
{
    /** Numbers in its packed form. */
    public const NUMBERS = 6;

    private function __construct(
        public int $count,
        public float $meanTime,
        public float $meanValue,
        private float $squaresTime,
        private float $squaresValue,
        private float $products,
    ) {
    }

    /** Of no samples at all. */
    public static function none(): self
    {
        return new self(0, 0.0, 0.0, 0.0, 0.0, 0.0);
    }

    /**
     * @param  list<float>  $times  s
     * @param  list<float>  $values  same length as $times
     *
     * @throws UnequalLengths If the columns differ in length.
     */
    public static function of(array $times, array $values): self
    {
        $n = count($values);
        if (count($times) !== $n) {
            throw UnequalLengths::between(count($times), $n);
        }
        if ($n === 0) {
            return self::none();
        }
        // About the first of each, so that the mean of large numbers close together keeps its digits.
        [$firstTime, $firstValue] = [$times[0], $values[0]];
        $sumTime = $sumValue = 0.0;
        foreach ($values as $i => $value) {
            $sumTime += $times[$i] - $firstTime;
            $sumValue += $value - $firstValue;
        }
        [$meanTime, $meanValue] = [$firstTime + $sumTime / $n, $firstValue + $sumValue / $n];
        $tt = $vv = $tv = 0.0;
        foreach ($values as $i => $value) {
            $t = $times[$i] - $meanTime;
            $v = $value - $meanValue;
            $tt += $t * $t;
            $vv += $v * $v;
            $tv += $t * $v;
        }

        return new self($n, $meanTime, $meanValue, $tt, $vv, $tv);
    }

    /** What both have together. */
    public function joined(self $other): self
    {
        if ($this->count === 0 || $other->count === 0) {
            return $this->count === 0 ? $other : $this;
        }
        $n = $this->count + $other->count;
        $share = $other->count / $n;
        $apart = $this->count * $share;
        $t = $other->meanTime - $this->meanTime;
        $v = $other->meanValue - $this->meanValue;

        return new self(
            $n,
            $this->meanTime + $t * $share,
            $this->meanValue + $v * $share,
            $this->squaresTime + $other->squaresTime + $t * $t * $apart,
            $this->squaresValue + $other->squaresValue + $v * $v * $apart,
            $this->products + $other->products + $t * $v * $apart,
        );
    }

    /** @param  list<self>  $parts */
    public static function together(array $parts): self
    {
        // In pairs, so that rounding grows with the logarithm of their number.
        while (($n = count($parts)) > 1) {
            $pairs = [];
            for ($i = 0; $i < $n; $i += 2) {
                $pairs[] = isset($parts[$i + 1]) ? $parts[$i]->joined($parts[$i + 1]) : $parts[$i];
            }
            $parts = $pairs;
        }

        return $parts[0] ?? self::none();
    }

    /** The same samples with their times counted from another moment, s earlier. */
    public function later(float $seconds): self
    {
        return new self($this->count, $this->meanTime + $seconds, $this->meanValue, $this->squaresTime, $this->squaresValue, $this->products);
    }

    /** Standard deviation of the values; NAN for fewer than two. */
    public function sd(): float
    {
        return $this->count < 2 ? NAN : sqrt($this->squaresValue / ($this->count - 1));
    }

    /**
     * The straight line of the values against time, by least squares.
     *
     * @throws NotEnoughPoints If there are fewer than two different times.
     */
    public function line(): StraightLine
    {
        return StraightLine::ofSums($this->count, $this->meanTime, $this->meanValue, $this->squaresTime, $this->products, $this->squaresValue);
    }

    /** @return list<float> */
    public function numbers(): array
    {
        return [(float) $this->count, $this->meanTime, $this->meanValue, $this->squaresTime, $this->squaresValue, $this->products];
    }

    /**
     * @param  list<float>  $numbers  as numbers() gave them, of one or more in a row
     * @return list<self>
     */
    public static function ofNumbers(array $numbers): array
    {
        $all = [];
        for ($i = 0, $n = count($numbers) - self::NUMBERS + 1; $i < $n; $i += self::NUMBERS) {
            $all[] = self::at($numbers, $i);
        }

        return $all;
    }

    /**
     * @param  list<float>  $numbers  as numbers() gave them, among others
     * @param  int  $place  where they begin
     * @param  float  $later  s from the moment times are counted from to the one they were
     */
    public static function at(array $numbers, int $place, float $later = 0.0): self
    {
        return new self((int) $numbers[$place], $numbers[$place + 1] + $later, $numbers[$place + 2], $numbers[$place + 3], $numbers[$place + 4], $numbers[$place + 5]);
    }
}
