<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/**
 * How many values there are, their mean, scatter and ends: what stands at the foot of a column, at one glance over each value.
 * Where a result rests on them Sample is asked, which sums exactly.
 */
final readonly class Spread
{
    /** @param  float  $sd  standard deviation with n - 1; NAN for fewer than two */
    private function __construct(public int $n, public float $mean, public float $sd, public float $least, public float $most)
    {
    }

    /**
     * About the first value, so that large values close together keep their digits (Chan, Golub and LeVeque, The American
     * Statistician 37, 1983).
     *
     * @param  list<float>  $values  what is no number is passed over
     * @param  array<int, mixed>  $except  places that do not count, as keys
     * @return self|null null without a value
     */
    public static function of(array $values, array $except = []): ?self
    {
        if ($except !== [] || ! is_finite(array_sum($values))) {
            $values = array_values(array_filter($values, static fn (float $v, int $place): bool => is_finite($v) && ! isset($except[$place]), ARRAY_FILTER_USE_BOTH));
        }
        $n = count($values);
        if ($n === 0) {
            return null;
        }
        $first = $values[0];
        $sum = $squares = 0.0;
        foreach ($values as $value) {
            $from = $value - $first;
            $sum += $from;
            $squares += $from * $from;
        }

        return new self($n, $first + $sum / $n, $n < 2 ? NAN : sqrt(max(0.0, $squares - $sum * $sum / $n) / ($n - 1)), min($values), max($values));
    }
}
