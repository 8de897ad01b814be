<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Series\SteadyLimits;

/** A probe's whole way to rest in one standard, for judging a reading that was accepted on it. */
final readonly class SettlingCurve
{
    /** The drift at which a reading was accepted is taken over this long. */
    private const ACCEPTED_OVER_S = 10.0;

    private const FEWEST = 3;

    /**
     * @param  list<float>  $seconds  rising
     * @param  list<float>  $raw  same length as $seconds
     */
    private function __construct(private array $seconds, private array $raw)
    {
    }

    /**
     * @param  list<float>  $seconds  rising
     * @param  list<float>  $raw  same length as $seconds
     *
     * @throws UnequalLengths If the columns differ in length.
     * @throws NotEnoughPoints If there are fewer than three samples.
     */
    public static function of(array $seconds, array $raw): self
    {
        if (count($seconds) !== count($raw)) {
            throw UnequalLengths::between(count($seconds), count($raw));
        }
        if (count($raw) < self::FEWEST) {
            throw NotEnoughPoints::need('A settling curve', self::FEWEST, count($raw));
        }

        return new self($seconds, $raw);
    }

    /** How far the signal moved in all, in its unit. */
    public function height(): float
    {
        return $this->raw === [] ? 0.0 : max($this->raw) - min($this->raw);
    }

    /** When the last sample was taken, s. */
    public function lastSecond(): float
    {
        return $this->seconds[count($this->seconds) - 1];
    }

    /**
     * The line through the samples around a moment at which a reading was accepted.
     *
     * @throws NotEnoughPoints If there are fewer than three samples up to it.
     */
    public function near(float $second): StraightLine
    {
        $x = $y = [];
        for ($i = count($this->seconds) - 1; $i >= 0; $i--) {
            $t = $this->seconds[$i];
            if ($t <= $second && ($t >= $second - self::ACCEPTED_OVER_S || count($x) < self::FEWEST)) {
                $x[] = $t;
                $y[] = $this->raw[$i];
            }
        }
        if (count($x) < self::FEWEST) {
            throw NotEnoughPoints::need("A reading at {$second} s", self::FEWEST, count($x));
        }

        return StraightLine::through($x, $y);
    }

    /**
     * Where it is going: the end of an exponential through the whole curve; the mean of the last window where there
     * is none, or where it would lie farther off than the signal ever moved.
     */
    public function end(float $windowS = SteadyLimits::WINDOW_S): float
    {
        $last = $this->lastSecond();
        $window = [];
        foreach ($this->seconds as $i => $t) {
            if ($t > $last - $windowS) {
                $window[] = $this->raw[$i];
            }
        }
        $mean = array_sum($window) / count($window);
        if (count($this->raw) < 2 * self::FEWEST) {
            return $mean;
        }
        $fit = (new CurveFitter)->fit(Relation::ExponentialDecay->curve(), $this->seconds, $this->raw);
        $end = $fit->constant('c')->value ?? NAN;
        $isDying = ($fit->constant('b')->value ?? 0.0) > 0.0;

        return $fit->hasConverged() && $isDying && abs($end - $mean) <= $this->height() ? $end : $mean;
    }
}
