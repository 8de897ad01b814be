<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

use Welkion\Core\Exception\InvalidQuantity;

/** Student's t distribution, for intervals from few repeats. */
final class StudentT
{
    /**
     * Probability that t lies below this value: NIST Digital Library of Mathematical Functions, 8.17.
     *
     * @param  float  $degrees  degrees of freedom, above 0
     */
    public static function probabilityBelow(float $t, float $degrees): float
    {
        $tail = 0.5 * BetaDistribution::probabilityBelow($degrees / ($degrees + $t * $t), $degrees / 2.0, 0.5);

        return $t > 0.0 ? 1.0 - $tail : $tail;
    }

    /** Probability of a |t| this large or larger by chance alone. */
    public static function twoSided(float $t, float $degrees): float
    {
        return BetaDistribution::probabilityBelow($degrees / ($degrees + $t * $t), $degrees / 2.0, 0.5);
    }

    /**
     * The value below which t lies with this probability; 12.706 for 0.975 and one degree of freedom.
     *
     * @throws InvalidQuantity If the probability is not between 0 and 1, or there are no degrees of freedom.
     */
    public static function quantile(float $probability, float $degrees): float
    {
        if (! ($probability > 0.0 && $probability < 1.0)) {
            throw InvalidQuantity::outOfRange('probability', $probability, 0.0, 1.0, '');
        }
        if (is_nan($degrees) || $degrees <= 0.0) {
            throw InvalidQuantity::mustBePositive('number of degrees of freedom', $degrees, '');
        }
        if ($probability < 0.5) {
            return -self::quantile(1.0 - $probability, $degrees);
        }
        // Newton's steps, kept inside a bracket that halves where they leave it.
        [$low, $high] = [0.0, INF];
        $t = 1.0;
        $front = LogGamma::of(($degrees + 1.0) / 2.0) - LogGamma::of($degrees / 2.0) - 0.5 * log($degrees * M_PI);
        for ($i = 0; $i < 2000; $i++) {
            $error = self::probabilityBelow($t, $degrees) - $probability;
            $error > 0.0 ? $high = $t : $low = $t;
            $density = exp($front - ($degrees + 1.0) / 2.0 * log1p($t * $t / $degrees));
            $next = $density > 0.0 ? $t - $error / $density : INF;
            if (! ($next > $low && $next < $high)) {
                $next = is_finite($high) ? ($low + $high) / 2.0 : 2.0 * $t;
            }
            if (abs($next - $t) <= 1e-15 * $next) {
                return $next;
            }
            $t = $next;
        }

        return $t;
    }
}
