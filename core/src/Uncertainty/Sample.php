<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;

/** Repeated values of one quantity, and what describes them; all in the unit of the values. */
final readonly class Sample
{
    /**
     * @param  float  $sd  standard deviation with n - 1; NAN for a single value
     * @param  float  $standardError  sd / sqrt(n), the standard uncertainty of the mean (JCGM 100:2008, 4.2); NAN for a single value
     */
    private function __construct(
        public int $n,
        public float $sum,
        public float $mean,
        public float $sd,
        public float $standardError,
        public float $min,
        public float $max,
        public float $median,
    ) {
    }

    /**
     * Two passes: squares are summed about the mean, so a large offset costs no digits (Chan, Golub and LeVeque,
     * The American Statistician 37, 1983).
     *
     * @param  list<float>  $values
     *
     * @throws NotEnoughPoints If there is no value.
     * @throws InvalidQuantity If a value is not finite.
     */
    public static function of(array $values): self
    {
        $n = count($values);
        if ($n === 0) {
            throw NotEnoughPoints::need('A mean', 1, 0);
        }
        $sum = Sums::exact($values);
        if (! is_finite($sum)) {
            throw InvalidQuantity::mustBeFinite('value of every point');
        }
        $mean = $sum / $n;
        $squares = 0.0;
        $rest = 0.0;
        $min = $max = $values[0];
        foreach ($values as $value) {
            $from = $value - $mean;
            $squares += $from * $from;
            $rest += $from;
            if ($value < $min) {
                $min = $value;
            } elseif ($value > $max) {
                $max = $value;
            }
        }
        $sd = $n > 1 ? sqrt(max(0.0, $squares - $rest * $rest / $n) / ($n - 1)) : NAN;

        return new self($n, $sum, $mean, $sd, $sd / sqrt($n), $min, $max, Median::of($values));
    }

    /** Largest less smallest value. */
    public function range(): float
    {
        return $this->max - $this->min;
    }

    /** Half the range: how far trials lie from their middle. */
    public function halfRange(): float
    {
        return $this->range() / 2.0;
    }

    /** The half range in per cent of the mean; NAN if the mean is zero. */
    public function percent(): float
    {
        return $this->mean === 0.0 ? NAN : 100.0 * $this->halfRange() / abs($this->mean);
    }

    /** Half the width of the interval that holds the true mean with this probability (Student's t). */
    public function halfWidth(float $probability = 0.95): float
    {
        return $this->n < 2 ? NAN : StudentT::quantile((1.0 + $probability) / 2.0, $this->n - 1) * $this->standardError;
    }
}
