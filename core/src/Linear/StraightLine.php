<?php

declare(strict_types=1);

namespace Welkion\Core\Linear;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;

/**
 * y = intercept + slope x by ordinary least squares, each with its standard error.
 *
 * x is centred before squares are summed, so large offsets keep their digits (Draper and Smith, Applied
 * Regression Analysis, 3rd edition, chapter 1).
 */
final readonly class StraightLine
{
    /** Share of the squares below which what is left over is summed point by point; three of sixteen digits are lost above it. */
    private const CLOSE = 1e-3;

    /**
     * @param  float  $scatter  standard deviation of the residuals (n - 2 degrees of freedom); 0 for two points
     */
    private function __construct(
        public float $slope,
        public float $slopeError,
        public float $centre,
        public float $meanY,
        public float $scatter,
        public float $rSquared,
        public int $count,
    ) {
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y  same length as $x
     *
     * @throws UnequalLengths If the columns differ in length.
     * @throws NotEnoughPoints If there are fewer than two different x.
     */
    public static function through(array $x, array $y): self
    {
        $n = count($x);
        if ($n !== count($y)) {
            throw UnequalLengths::between($n, count($y));
        }
        if ($n < 2) {
            throw NotEnoughPoints::need('A straight line', 2, $n);
        }
        $centre = array_sum($x) / $n;
        $meanY = array_sum($y) / $n;
        $sxx = 0.0;
        $sxy = 0.0;
        $syy = 0.0;
        for ($i = 0; $i < $n; $i++) {
            $dx = $x[$i] - $centre;
            $dy = $y[$i] - $meanY;
            $sxx += $dx * $dx;
            $sxy += $dx * $dy;
            $syy += $dy * $dy;
        }
        // Equal x leave at most the rounding of their mean.
        if ($sxx <= $n * (1e-15 * $centre) ** 2 && min($x) === max($x)) {
            throw NotEnoughPoints::need('A straight line', 2, 1);
        }
        $slope = $sxy / $sxx;
        $rss = $syy - $slope * $sxy;
        // The difference of two sums keeps its digits while it is not small beside them.
        if ($rss < self::CLOSE * $syy) {
            $rss = self::squares(self::leftOver($x, $y, $centre, $meanY, $slope));
        }
        $scatter = $n > 2 ? sqrt($rss / ($n - 2)) : 0.0;

        return new self(
            slope: $slope,
            slopeError: $scatter / sqrt($sxx),
            centre: $centre,
            meanY: $meanY,
            scatter: $scatter,
            rSquared: $syy > 0.0 ? 1.0 - $rss / $syy : 1.0,
            count: $n,
        );
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y  same length as $x
     * @return list<float> how far each point lies above the line
     */
    public function residuals(array $x, array $y): array
    {
        return self::leftOver($x, $y, $this->centre, $this->meanY, $this->slope);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y  same length as $x
     * @return array<int, float> how far those lie above or below the line that are further from it than this, by their place
     */
    public function further(array $x, array $y, float $distance): array
    {
        [$centre, $meanY, $slope] = [$this->centre, $this->meanY, $this->slope];
        $far = [];
        foreach ($x as $i => $at) {
            $left = $y[$i] - $meanY - $slope * ($at - $centre);
            if ($left > $distance || $left < -$distance) {
                $far[$i] = abs($left);
            }
        }

        return $far;
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @return list<float>
     */
    private static function leftOver(array $x, array $y, float $centre, float $meanY, float $slope): array
    {
        // Of very many points a call for each would take most of the time.
        $left = [];
        foreach ($x as $i => $at) {
            $left[] = $y[$i] - $meanY - $slope * ($at - $centre);
        }

        return $left;
    }

    /** @param  list<float>  $residuals */
    private static function squares(array $residuals): float
    {
        $sum = 0.0;
        foreach ($residuals as $residual) {
            $sum += $residual * $residual;
        }

        return $sum;
    }

    /**
     * From sums that were made beforehand. What is left over is the difference of two sums of squares, so that points within
     * a ten-millionth of their line show no scatter.
     *
     * @param  float  $squaresX  sum of squares about the mean of x; $products and $squaresY likewise
     *
     * @throws NotEnoughPoints If there are fewer than two different x.
     */
    public static function ofSums(int $count, float $meanX, float $meanY, float $squaresX, float $products, float $squaresY): self
    {
        if ($count < 2 || is_nan($squaresX) || $squaresX <= 0.0) {
            throw NotEnoughPoints::need('A straight line', 2, min(1, $count));
        }
        $slope = $products / $squaresX;
        $rss = max(0.0, $squaresY - $slope * $products);
        $scatter = $count > 2 ? sqrt($rss / ($count - 2)) : 0.0;

        return new self($slope, $scatter / sqrt($squaresX), $meanX, $meanY, $scatter, $squaresY > 0.0 ? 1.0 - $rss / $squaresY : 1.0, $count);
    }

    /** Where it meets the y axis. */
    public function intercept(): float
    {
        return $this->at(0.0);
    }

    /** @return array{array{float, float}, array{float, float}} covariance of slope and intercept */
    public function covariance(): array
    {
        $variance = $this->slopeError ** 2;
        $both = -$this->centre * $variance;

        return [[$variance, $both], [$both, $this->errorAt(0.0) ** 2]];
    }

    /** Height of the line at x, in the unit of y. */
    public function at(float $x): float
    {
        return $this->meanY + $this->slope * ($x - $this->centre);
    }

    /** Standard error of the line's height at x, from the scatter of the points about it. */
    public function errorAt(float $x): float
    {
        return hypot($this->scatter / sqrt($this->count), $this->slopeError * ($x - $this->centre));
    }
}
