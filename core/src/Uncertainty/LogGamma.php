<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/**
 * ln of the gamma function for arguments above 0.
 *
 * Stirling's series (DLMF 5.11.1) from 12 on, reached by the recurrence from below; good to about 1e-15.
 *
 * @internal
 */
final class LogGamma
{
    /** ln of gamma(x), for x above 0. */
    public static function of(float $x): float
    {
        $shift = 0.0;
        while ($x < 12.0) {
            $shift -= log($x);
            $x += 1.0;
        }
        $z = 1.0 / ($x * $x);
        $series = (1.0 / 12.0 - $z * (1.0 / 360.0 - $z * (1.0 / 1260.0 - $z * (1.0 / 1680.0 - $z * (1.0 / 1188.0 - $z * 691.0 / 360360.0))))) / $x;

        return $shift + ($x - 0.5) * log($x) - $x + 0.5 * log(2.0 * M_PI) + $series;
    }
}
