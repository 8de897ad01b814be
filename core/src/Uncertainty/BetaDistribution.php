<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/** The beta distribution: what Student's t is worked out by, and ratios of sums of squares. */
final class BetaDistribution
{
    /**
     * Probability that a value lies below x: I_x(a, b) by its continued fraction (NIST Digital Library of Mathematical Functions,
     * 8.17.22), summed by Lentz's method.
     *
     * @param  float  $a  above 0, as $b
     */
    public static function probabilityBelow(float $x, float $a, float $b): float
    {
        if ($x <= 0.0 || $x >= 1.0) {
            return $x <= 0.0 ? 0.0 : 1.0;
        }
        // The fraction converges fast below the mean only; above it the mirror image is used.
        if ($x > ($a + 1.0) / ($a + $b + 2.0)) {
            return 1.0 - self::probabilityBelow(1.0 - $x, $b, $a);
        }
        $front = exp(LogGamma::of($a + $b) - LogGamma::of($a) - LogGamma::of($b) + $a * log($x) + $b * log1p(-$x)) / $a;
        $tiny = 1e-300;
        $c = 1.0;
        $d = 1.0 - ($a + $b) * $x / ($a + 1.0);
        $d = 1.0 / (abs($d) < $tiny ? $tiny : $d);
        $fraction = $d;
        for ($m = 1; $m < 500; $m++) {
            $even = $m * ($b - $m) * $x / (($a + 2 * $m - 1.0) * ($a + 2 * $m));
            $odd = -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1.0));
            foreach ([$even, $odd] as $term) {
                $d = 1.0 + $term * $d;
                $d = 1.0 / (abs($d) < $tiny ? $tiny : $d);
                $c = 1.0 + $term / $c;
                $c = abs($c) < $tiny ? $tiny : $c;
                $fraction *= $d * $c;
            }
            if (abs($d * $c - 1.0) < 1e-16) {
                break;
            }
        }

        return $front * $fraction;
    }
}
