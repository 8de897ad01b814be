<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use Welkion\Core\Tests\Chance;

/**
 * Titrations with known truth, from a chemistry written for these tests alone: the exact charge balance with
 * dilution, solved by halving; activities ignored, Kw = 1e-14.
 */
final class SimulatedTitration
{
    /**
     * @param  list<float>  $pKs  of the acid, the strongest first; none for a strong acid
     * @param  float  $first  true volume that neutralises one proton, mL
     * @param  float  $step  mL
     * @param  float  $noise  standard deviation of pH
     * @param  float  $sample  volume in the beaker at the start, mL
     * @param  bool  $isBase  a base titrated with acid: the mirror image
     * @param  float  $lag  part of a change that the electrode still misses at the next reading
     * @return array{list<float>, list<float>} volumes in mL and pH
     */
    public static function of(
        Chance $chance,
        array $pKs,
        float $first,
        float $step,
        float $noise,
        float $titrant = 0.1,
        float $sample = 40.0,
        float $until = 0.0,
        bool $isBase = false,
        float $lag = 0.0,
    ): array {
        $end = $until > 0.0 ? $until : $first * max(1, count($pKs)) * 1.45 + 2.0;
        $volumes = [];
        $ph = [];
        $shown = null;
        for ($i = 0; $i * $step <= $end; $i++) {
            $volume = round($i * $step, 4);
            $true = self::ph($volume, $pKs, $first, $titrant, $sample);
            $shown = $shown === null ? $true : $true - $lag * ($true - $shown);
            $volumes[] = $volume;
            $read = $shown + $noise * $chance->normal();
            $ph[] = round($isBase ? 14.0 - $read : $read, 2);
        }

        return [$volumes, $ph];
    }

    /** @param  list<float>  $pKs */
    public static function ph(float $volume, array $pKs, float $first, float $titrant, float $sample): float
    {
        $total = $sample + $volume;
        $base = $titrant * $volume / $total;
        $acid = $titrant * $first / $total;
        [$low, $high] = [-1.0, 15.0];
        while ($high - $low > 1e-9) {
            $middle = ($low + $high) / 2.0;
            $h = 10.0 ** -$middle;
            $h + $base - 1e-14 / $h - $acid * self::protonsGone($pKs, $h) > 0.0 ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2.0;
    }

    /** @param  list<float>  $pKs */
    private static function protonsGone(array $pKs, float $h): float
    {
        if ($pKs === []) {
            return 1.0;
        }
        $terms = [1.0];
        foreach ($pKs as $pK) {
            $terms[] = $terms[count($terms) - 1] * 10.0 ** -$pK / $h;
        }
        $gone = 0.0;
        foreach ($terms as $k => $term) {
            $gone += $k * $term;
        }

        return $gone / array_sum($terms);
    }
}
