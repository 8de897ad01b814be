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
        $n = 0;
        $first = $sum = $squares = 0.0;
        [$least, $most] = [INF, -INF];
        foreach ($values as $place => $value) {
            if (! is_finite($value) || isset($except[$place])) {
                continue;
            }
            if ($n === 0) {
                $first = $value;
            }
            $n++;
            $from = $value - $first;
            $sum += $from;
            $squares += $from * $from;
            $least = $value < $least ? $value : $least;
            $most = $value > $most ? $value : $most;
        }

        return $n === 0 ? null : new self($n, $first + $sum / $n, $n < 2 ? NAN : sqrt(max(0.0, $squares - $sum * $sum / $n) / ($n - 1)), $least, $most);
    }
}
