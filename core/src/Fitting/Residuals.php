<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\LeastSquares;
use Welkion\Core\Uncertainty\LogGamma;
use Welkion\Core\Uncertainty\StudentT;
use Welkion\Core\Uncertainty\Sums;

/** What the residuals of a fit tell about the curve: do they still bend? */
final readonly class Residuals
{
    /** Chance below which a pattern is not taken for luck. */
    public const UNLIKELY = 0.01;

    /** The same for neighbours that are alike: asked beside the other two, it may add no more than a fifth to what is taken for a pattern by mistake. */
    private const UNLIKELY_ALIKE = 0.002;

    /** Squares of what rounding leaves of exact points are below this share of theirs; its pattern tells nothing about the curve. */
    public const ROUNDING = 1e-18;

    /** Above this many points the normal distribution stands in for the exact one. */
    private const EXACT_RUNS = 60;

    /** Fewer points than this cannot show a pattern. */
    private const LEAST = 5;

    /**
     * Of more points so many are looked at: a bend that these do not show is smaller than any a curve is chosen for. A prime,
     * so that they do not keep step with rows that repeat.
     */
    private const MOST = 3989;

    /**
     * @param  float  $runsProbability  chance of so few runs of one sign, or fewer, in random residuals
     * @param  float  $curvatureProbability  chance of so large a quadratic term, or larger, on top of the curve
     * @param  float  $alikeProbability  chance of neighbours so much alike, or more
     */
    private function __construct(public float $runsProbability, public float $curvatureProbability, public float $alikeProbability)
    {
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $residuals  same length as $x
     * @param  list<list<float>>  $slopes  of the curve by each constant; what the curve can follow is no pattern
     */
    public static function of(array $x, array $residuals, array $slopes): self
    {
        if (count($x) > self::MOST) {
            $places = self::lookedAt(count($x));
            [$x, $residuals, $slopes] = [self::some($x, $places), self::some($residuals, $places), array_map(static fn (array $of): array => self::some($of, $places), $slopes)];
        }

        $inOrder = self::inOrder($x, $residuals);

        return new self(self::runs($inOrder), self::curvature($x, $residuals, $slopes),
            count($x) < self::LEAST ? 1.0 : NeighbouringResiduals::probability($inOrder, array_map(static fn (array $of): array => self::inOrder($x, $of), $slopes)));
    }

    /**
     * Whether no more is left than rounding leaves of exact points.
     *
     * @param  float  $squares  of the residuals, their sum
     * @param  list<float>  $heights  of the curve
     */
    public static function areRounding(float $squares, array $heights): bool
    {
        return $squares <= self::ROUNDING * Sums::squares($heights);
    }

    /** @return list<int> places, from 0, of the residuals that are looked at among so many */
    public static function lookedAt(int $count): array
    {
        $places = [];
        for ($i = 0, $n = min($count, self::MOST); $i < $n; $i++) {
            $places[] = intdiv($i * $count, $n);
        }

        return $places;
    }

    /**
     * @param  list<float>  $list
     * @param  list<int>  $places
     * @return list<float>
     */
    private static function some(array $list, array $places): array
    {
        return array_map(static fn (int $place): float => $list[$place], $places);
    }

    /**
     * Whether the first two together are too unlikely for random residuals, or the third alone: a wave of few points has runs of
     * one sign that are not rare, and no curvature (Fisher, Statistical Methods for Research Workers,
     * 1932, 21.1: -2 ln p1 p2 is chi-squared with four degrees of freedom, whose tail has a closed form).
     */
    public function bend(): bool
    {
        $product = max($this->runsProbability * $this->curvatureProbability, 1e-300);

        return $product * (1.0 - log($product)) < self::UNLIKELY || $this->alikeProbability < self::UNLIKELY_ALIKE;
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $values  as many
     * @return list<float> the values in order of x; those of the same x as they were taken
     */
    private static function inOrder(array $x, array $values): array
    {
        for ($i = 1, $n = count($x); $i < $n && $x[$i] >= $x[$i - 1]; $i++);
        if ($i >= $n) {
            return $values;
        }
        asort($x);

        return array_map(static fn (int $place): float => $values[$place], array_keys($x));
    }

    /**
     * From the distribution of the number of runs (Wald and Wolfowitz, Ann. Math. Statist. 11, 1940).
     *
     * @param  list<float>  $residuals  in order of x
     */
    private static function runs(array $residuals): float
    {
        [$up, $down, $runs, $before] = [0, 0, 0, 0];
        foreach ($residuals as $residual) {
            $sign = $residual <=> 0.0;
            if ($sign !== 0) {
                $sign > 0 ? $up++ : $down++;
                $runs += $sign !== $before ? 1 : 0;
                $before = $sign;
            }
        }
        $n = $up + $down;
        if ($up === 0 || $down === 0 || $n < self::LEAST) {
            return 1.0;
        }
        if ($n > self::EXACT_RUNS) {
            $expected = 1.0 + 2.0 * $up * $down / $n;
            $spread = sqrt(($expected - 1.0) * ($expected - 2.0) / ($n - 1.0));

            // The normal distribution is Student's for very many degrees of freedom.
            return StudentT::probabilityBelow(($runs + 0.5 - $expected) / $spread, 1e9);
        }
        $all = self::logChoose($up + $down, $up);
        $probability = 0.0;
        for ($r = 2; $r <= $runs; $r++) {
            $half = intdiv($r, 2);
            $probability += $r % 2 === 0
                ? 2.0 * exp(self::logChoose($up - 1, $half - 1) + self::logChoose($down - 1, $half - 1) - $all)
                : exp(self::logChoose($up - 1, $half) + self::logChoose($down - 1, $half - 1) - $all)
                    + exp(self::logChoose($up - 1, $half - 1) + self::logChoose($down - 1, $half) - $all);
        }

        return min(1.0, $probability);
    }

    /**
     * Significance of x^2 as one more column beside the slopes of the curve (Draper and Smith, Applied Regression
     * Analysis, 3rd edition, 6.2).
     *
     * @param  list<float>  $x
     * @param  list<float>  $residuals
     * @param  list<list<float>>  $slopes
     */
    private static function curvature(array $x, array $residuals, array $slopes): float
    {
        $n = count($x);
        $degrees = $n - count($slopes) - 1;
        if ($x === [] || $n < self::LEAST || $degrees < 1) {
            return 1.0;
        }
        $middle = (max($x) + min($x)) / 2.0;
        $half = (max($x) - min($x)) / 2.0 ?: 1.0;
        $square = array_map(static fn (float $v): float => (($v - $middle) / $half) ** 2, $x);
        $fit = LeastSquares::solve([...$slopes, $square], $residuals, isRefined: false);
        if ($fit === null || Sums::squares($residuals) === 0.0) {
            return 1.0;
        }
        $error = $fit->standardErrors()[count($slopes)];

        return $error > 0.0 ? StudentT::twoSided($fit->constants[count($slopes)] / $error, $degrees) : 1.0;
    }

    private static function logChoose(int $n, int $k): float
    {
        return $k < 0 || $k > $n ? -INF : LogGamma::of($n + 1.0) - LogGamma::of($k + 1.0) - LogGamma::of($n - $k + 1.0);
    }
}
