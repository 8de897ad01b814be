<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Fitting\Minimum;
use Welkion\Core\Linear\Triangle;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Median;
use Welkion\Core\Units\Unit;

/**
 * One guess at the chemistry, fitted.
 *
 * @internal used by ChargeBalanceFit alone
 */
final readonly class ChargeBalanceTrial
{
    /** Groups closer than this in pKa look like one. */
    private const LEAST_DISTANCE = 0.35;

    /** Rows after the points, which hold the titrant and the volume near what is usual. */
    private const HELD_ROWS = 2;

    /**
     * @param  list<float>  $residuals  of the points, in pH
     * @param  list<list<float>>  $covariance
     * @param  list<float>  $left  volumes of points left out, mL
     */
    private function __construct(
        public Chemistry $chemistry,
        private Minimum $minimum,
        private array $residuals,
        private array $covariance,
        public float $scatter,
        public float $criterion,
        public array $left,
        private bool $hasLag,
    ) {
    }

    /**
     * @param  list<float>  $left
     * @return self|null null if the points leave a constant open
     */
    public static function of(Chemistry $chemistry, Minimum $minimum, bool $hasLag, array $left): ?self
    {
        $n = count($minimum->residuals) - self::HELD_ROWS;
        $residuals = array_slice($minimum->residuals, 0, $n);
        $free = count($minimum->constants) - self::HELD_ROWS;
        $squares = array_sum(array_map(static fn (float $r): float => $r * $r, $residuals));
        $scatter = sqrt($squares / max(1, $n - $free));
        $columns = $minimum->slopes;
        foreach ($columns as $k => $column) {
            for ($i = 0; $i < $n; $i++) {
                $column[$i] /= max($scatter, 1e-9);
            }
            $columns[$k] = $column;
        }
        $triangle = Triangle::of(array_map(array_values(...), $columns));
        if (! $triangle->isIndependent(1e-12)) {
            return null;
        }
        $k = $free + 1;
        // Points left out count against a guess as if each had been 4 standard deviations off.
        $criterion = $n * log(max($squares, 1e-12) / $n) + 2 * $k + 2 * $k * ($k + 1) / max(1, $n - $k - 1) + 16.0 * count($left);

        return new self($chemistry, $minimum, $residuals, $triangle->inverseGram(), $scatter, $criterion, $left, $hasLag);
    }

    /** Index of the point furthest off, if it is further than so many robust standard deviations. */
    public function wildest(float $deviations): ?int
    {
        $sizes = array_map(abs(...), $this->residuals);
        $largest = max(0.0, ...$sizes);
        $limit = $deviations * max(Median::deviation($this->residuals), 0.5 * $this->scatter);

        return $largest > $limit ? (int) array_search($largest, $sizes, true) : null;
    }

    /**
     * The equivalence volumes at the jumps.
     *
     * @param  non-empty-list<EquivalencePoint>  $jumps
     * @return non-empty-list<Measured>|null in mL, one for each jump; null if this chemistry has none at one of them
     */
    public function at(array $jumps): ?array
    {
        $points = array_map($this->point(...), range(0, $this->chemistry->pointCount() - 1));
        $found = [];
        foreach ($jumps as $jump) {
            $near = array_filter($points, static fn (Measured $p): bool => abs($p->value - $jump->volume->value) <= 1.5 * $jump->step + 3.0 * $jump->volume->uncertainty);
            if ($near === []) {
                return null;
            }
            usort($near, static fn (Measured $a, Measured $b): int => abs($a->value - $jump->volume->value) <=> abs($b->value - $jump->volume->value));
            $found[] = $near[0];
        }

        return $found;
    }

    /**
     * Equivalence points before the last jump that show no jump of their own.
     *
     * @param  non-empty-list<EquivalencePoint>  $jumps
     */
    public function hidden(array $jumps): int
    {
        $last = $jumps[count($jumps) - 1];
        $before = array_filter(range(0, $this->chemistry->pointCount() - 1), function (int $k) use ($last): bool {
            $volume = $this->point($k)->value;

            return $volume > 0.0 && $volume <= $last->volume->value + 1.5 * $last->step;
        });

        return max(0, count($before) - count($jumps));
    }

    /** @return list<float> pKa of each group; of a base, of its partner acid */
    public function pKs(bool $isAcid): array
    {
        $pKs = array_slice($this->minimum->constants, count($this->chemistry->amounts), count($this->chemistry->pKs));
        sort($pKs);

        return $isAcid ? $pKs : array_map(static fn (float $pK): float => 14.0 - $pK, $pKs);
    }

    /** Part of a change that the electrode still misses at the next reading; 0 if none was fitted. */
    public function lag(): float
    {
        return $this->hasLag ? $this->minimum->constants[count($this->minimum->constants) - 1] : 0.0;
    }

    /** Scatter of the points about the curve that a few wild ones do not change, in pH. */
    public function robustScatter(): float
    {
        return Median::deviation($this->residuals);
    }

    /** How many constants it has. */
    public function constantCount(): int
    {
        return count($this->minimum->constants);
    }

    /** Whether the groups are told apart; two of the same pKa are one group of twice the amount. */
    public function isDistinct(): bool
    {
        $pKs = $this->pKs(true);
        for ($i = 1, $n = count($pKs); $i < $n; $i++) {
            if ($pKs[$i] - $pKs[$i - 1] < self::LEAST_DISTANCE) {
                return false;
            }
        }

        return true;
    }

    /** Correlation of each residual with the next, -1 to 1. */
    public function persistence(): float
    {
        $products = 0.0;
        $squares = 0.0;
        foreach ($this->residuals as $i => $residual) {
            $products += $residual * ($this->residuals[$i + 1] ?? 0.0);
            $squares += $residual * $residual;
        }

        return $squares > 0.0 ? $products / $squares : 0.0;
    }

    private function point(int $number): Measured
    {
        $shares = $this->chemistry->equivalence($number);
        $value = 0.0;
        $variance = 0.0;
        foreach ($shares as $a => $share) {
            $value += $share * $this->minimum->constants[$a];
            foreach ($shares as $b => $other) {
                $variance += $share * $other * $this->covariance[$a][$b];
            }
        }

        return Measured::of($value, sqrt(max(0.0, $variance)), Unit::parse('mL'));
    }
}
