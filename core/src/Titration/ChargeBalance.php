<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Fitting\Model;

/**
 * pH against volume from the exact balance of charges, with dilution; activities ignored, Kw = 1e-14.
 *
 * Sodium, hydrogen, hydroxide and the acid's anions balance when V (1 + D/c) = S + sum of A a(pH) - (V0/c) D, where
 * D = [H+] - [OH-], c is the concentration of the titrant, V0 the volume in the beaker, S the strong acid and A the
 * acid groups in mL of titrant, a the share of a group that has given up its proton (de Levie, Aqueous Acid-Base
 * Equilibria and Titrations, 1999, 4.2). The volume is explicit in pH; pH is found from it by Newton's method.
 *
 * Constants: the free amounts (mL), the pKa of each group, ln c, ln V0, and the lag if the electrode has one. After
 * the points come two more rows that hold ln c and ln V0 near what is usual or known.
 *
 * @internal used by ChargeBalanceFit alone
 */
final readonly class ChargeBalance implements Model
{
    private const KW = 1e-14;

    /**
     * @param  list<float>  $volumes  mL, rising
     * @param  list<float>  $near  the pH measured there, to start from
     * @param  array{float, float}  $widths  of ln c and ln V0 about what is usual
     */
    public function __construct(
        private Chemistry $chemistry,
        private array $volumes,
        private array $near,
        private array $widths,
        private bool $hasLag,
    ) {
    }

    /** {@inheritDoc} */
    public function at(array $constants): array
    {
        $m = count($this->chemistry->amounts);
        $k = count($this->chemistry->pKs);
        $c = exp($constants[$m + $k]);
        $v0 = exp($constants[$m + $k + 1]);
        $amounts = array_slice($constants, 0, $m);
        $pKs = array_slice($constants, $m, $k);
        $strong = self::dot($this->chemistry->strong, $amounts);
        $groups = array_map(static fn (array $shares): float => self::dot($shares, $amounts), $this->chemistry->groups);

        $curve = [];
        $slopes = array_fill(0, count($constants), []);
        $ph = 7.0;
        foreach ($this->volumes as $i => $volume) {
            $ph = $this->solved($volume, $this->near[$i], $strong, $groups, $pKs, $c, $v0);
            $row = $this->slopes($ph, $volume, $groups, $pKs, $c, $v0);
            $curve[] = $ph;
            foreach ($row as $j => $slope) {
                $slopes[$j][] = $slope;
            }
        }
        if ($this->hasLag) {
            [$curve, $slopes] = self::lagging($curve, $slopes, $constants[$m + $k + 2]);
        }
        foreach ([0, 1] as $held) {
            $curve[] = $constants[$m + $k + $held] / $this->widths[$held];
            foreach (array_keys($slopes) as $j) {
                $slopes[$j][] = $j === $m + $k + $held ? 1.0 / $this->widths[$held] : 0.0;
            }
        }

        return [$curve, array_map(array_values(...), $slopes)];
    }

    /** {@inheritDoc} */
    public function thinned(int $every): self
    {
        return $this;
    }

    /**
     * @param  list<float>  $groups
     * @param  list<float>  $pKs
     */
    private function solved(float $volume, float $near, float $strong, array $groups, array $pKs, float $c, float $v0): float
    {
        [$low, $high] = [-2.0, 16.0];
        $ph = $near;
        for ($round = 0; $round < 80; $round++) {
            [$excess, $slope] = $this->excess($ph, $volume, $strong, $groups, $pKs, $c, $v0);
            // The volume needed for a pH rises with it, so the sign tells the side.
            $excess > 0.0 ? $high = $ph : $low = $ph;
            $next = $ph - $excess / $slope;
            $next = $next > $low && $next < $high ? $next : ($low + $high) / 2.0;
            if (abs($next - $ph) < 1e-12) {
                return $next;
            }
            $ph = $next;
        }

        return $ph;
    }

    /**
     * What is missing from the balance at a pH, in mL, and how fast it changes with pH.
     *
     * @param  list<float>  $groups
     * @param  list<float>  $pKs
     * @return array{float, float}
     */
    private function excess(float $ph, float $volume, float $strong, array $groups, array $pKs, float $c, float $v0): array
    {
        $h = 10.0 ** -$ph;
        $oh = self::KW / $h;
        $total = ($v0 + $volume) / $c;
        $sum = $strong - $total * ($h - $oh) - $volume;
        $slope = M_LN10 * $total * ($h + $oh);
        foreach ($groups as $j => $amount) {
            $gone = 1.0 / (1.0 + $h * 10.0 ** $pKs[$j]);
            $sum += $amount * $gone;
            $slope += M_LN10 * $amount * $gone * (1.0 - $gone);
        }

        return [$sum, $slope];
    }

    /**
     * Slope of pH by each constant, from the balance differentiated as a whole.
     *
     * @param  list<float>  $groups
     * @param  list<float>  $pKs
     * @return list<float>
     */
    private function slopes(float $ph, float $volume, array $groups, array $pKs, float $c, float $v0): array
    {
        $h = 10.0 ** -$ph;
        $d = $h - self::KW / $h;
        $slope = $this->excess($ph, $volume, 0.0, $groups, $pKs, $c, $v0)[1];
        $byAmount = $this->chemistry->strong;
        $byPK = [];
        foreach ($groups as $j => $amount) {
            $gone = 1.0 / (1.0 + $h * 10.0 ** $pKs[$j]);
            foreach ($this->chemistry->groups[$j] as $m => $share) {
                $byAmount[$m] += $share * $gone;
            }
            $byPK[] = -M_LN10 * $amount * $gone * (1.0 - $gone);
        }
        $others = [($v0 + $volume) / $c * $d, -$v0 / $c * $d, ...($this->hasLag ? [0.0] : [])];

        return array_map(static fn (float $change): float => -$change / $slope, [...$byAmount, ...$byPK, ...$others]);
    }

    /**
     * What a slow electrode shows: it still misses a part of the way from its last reading.
     *
     * @param  list<float>  $curve
     * @param  list<list<float>>  $slopes
     * @return array{list<float>, list<list<float>>}
     */
    private static function lagging(array $curve, array $slopes, float $lag): array
    {
        $shown = [];
        $last = count($slopes) - 1;
        foreach ($curve as $i => $true) {
            $before = $shown[$i - 1] ?? $true;
            $shown[] = $true + $lag * ($before - $true);
            foreach (array_keys($slopes) as $j) {
                $earlier = $i === 0 ? $slopes[$j][0] : $slopes[$j][$i - 1];
                $slopes[$j][$i] += $lag * ($earlier - $slopes[$j][$i]) + ($j === $last ? $before - $true : 0.0);
            }
        }

        return [$shown, array_map(array_values(...), $slopes)];
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
