<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Series\Series;
use Welkion\Core\Uncertainty\Median;

/** pH against added volume in mL, cleaned of single points that cannot belong to it. */
final readonly class TitrationCurve
{
    public const MIN_POINTS = 5;

    /**
     * A point that jumps by this much and straight back is no titration but a slip of the hand: pH goes one
     * way while titrant is added, and electrodes scatter by a tenth of it.
     */
    private const SLIP_PH = 0.25;

    /** So many points at least before their scatter is taken from cubics. */
    private const FOR_CUBIC = 12;

    /** A quarter of normal errors are smaller than this many standard deviations. */
    private const QUARTILE = 0.3186;

    /**
     * @param  Series  $points  mL and pH
     * @param  list<float>  $slips  volumes in mL of the points left out
     * @param  float  $noise  standard deviation of one pH reading, estimated from its neighbours
     */
    private function __construct(public Series $points, public array $slips, public float $noise)
    {
    }

    /**
     * @param  list<float>  $millilitres  in any order
     * @param  list<float>  $ph  same length as $millilitres
     *
     * @throws NotEnoughPoints If there are fewer than five different volumes.
     */
    public static function of(array $millilitres, array $ph): self
    {
        $points = Series::of($millilitres, $ph);
        if ($points->count() < self::MIN_POINTS) {
            throw NotEnoughPoints::need('A titration curve', self::MIN_POINTS, $points->count());
        }
        $slips = [];
        for ($i = 1; $i < $points->count() - 1; $i++) {
            $before = $points->y[$i] - $points->y[$i - 1];
            $after = $points->y[$i + 1] - $points->y[$i];
            if ($before * $after < 0.0 && min(abs($before), abs($after)) > self::SLIP_PH) {
                $slips[] = $points->x[$i];
                $points = $points->without($i);
            }
        }

        return new self($points, $slips, self::noiseOf($points));
    }

    /** +1 where pH rises with volume (base into acid), -1 where it falls. */
    public function direction(): int
    {
        return $this->points->y[$this->points->count() - 1] >= $this->points->y[0] ? 1 : -1;
    }

    /**
     * The curve a fast electrode would have shown.
     *
     * @param  float  $lag  part of the way from its last reading that the electrode still misses, 0 to below 1
     * @param  float  $noise  standard deviation of one pH reading
     */
    public function understood(float $lag, float $noise): self
    {
        $y = [];
        foreach ($this->points->y as $i => $shown) {
            $before = $this->points->y[$i - 1] ?? $shown;
            $y[] = $before + ($shown - $before) / (1.0 - $lag);
        }

        // Taking differences makes more of the noise.
        return new self(Series::of($this->points->x, $y), $this->slips, $noise * sqrt(1.0 + $lag * $lag) / (1.0 - $lag));
    }

    /**
     * How far points lie from the line between their neighbours, by the median, so that the jump does not count; or from
     * the cubic through two on each side, where that is less: with coarse steps a line takes the bend of the curve for
     * scatter. The quarter of the points where the curve bends least tells then.
     */
    private static function noiseOf(Series $points): float
    {
        $fromLine = self::deviations($points, 1);
        $noise = Median::deviation([...$fromLine, ...array_map(static fn (float $d): float => -$d, $fromLine)]);
        if ($points->count() < self::FOR_CUBIC) {
            return $noise;
        }
        $fromCubic = array_map(abs(...), self::deviations($points, 2));
        sort($fromCubic);

        return min($noise, $fromCubic[intdiv(count($fromCubic), 4)] / self::QUARTILE);
    }

    /**
     * Each point less the polynomial through its neighbours, over what scatter of 1 makes of that.
     *
     * @param  int  $each  how many neighbours on each side
     * @return list<float>
     */
    private static function deviations(Series $points, int $each): array
    {
        $deviations = [];
        for ($i = $each, $n = $points->count(); $i < $n - $each; $i++) {
            $expected = 0.0;
            $squares = 1.0;
            for ($j = $i - $each; $j <= $i + $each; $j++) {
                if ($j !== $i) {
                    $share = self::share($points->x, $i, $j, $each);
                    $expected += $share * $points->y[$j];
                    $squares += $share * $share;
                }
            }
            $deviations[] = ($points->y[$i] - $expected) / sqrt($squares);
        }

        return $deviations;
    }

    /**
     * What a neighbour counts for at a point in the polynomial through all of its neighbours (Lagrange).
     *
     * @param  list<float>  $x
     */
    private static function share(array $x, int $at, int $of, int $each): float
    {
        $share = 1.0;
        for ($k = $at - $each; $k <= $at + $each; $k++) {
            if ($k !== $at && $k !== $of) {
                $share *= ($x[$at] - $x[$k]) / ($x[$of] - $x[$k]);
            }
        }

        return $share;
    }
}
