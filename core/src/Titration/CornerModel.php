<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Fitting\Model;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Series\Series;

/**
 * Conductivity against volume: two straight lines with a rounded corner, diluted by what is added,
 * k = (a + b V + c h) / (1 + V/V0) with h = ((V - v) + sqrt((V - v)^2 + w^2)) / 2.
 *
 * Constants: a, b, c, v and ln V0; the rounding w is given. After the points comes one more row that holds ln V0 near what is usual.
 *
 * @internal used by ConductivityTitration alone
 */
final readonly class CornerModel implements Model
{
    public const CONSTANTS = ['a', 'b', 'c', 'v', 'v0'];

    public const CHANGE = 2;

    public const VOLUME = 3;

    /**
     * @param  list<float>  $volumes  mL
     * @param  float  $width  of ln V0 about what is usual
     * @param  float  $scale  what one width weighs, in the unit of the points
     * @param  float  $w  half the width of the rounded part, mL; above 0
     */
    public function __construct(private array $volumes, private float $width, private float $scale, private float $w)
    {
    }

    /** {@inheritDoc} */
    public function at(array $constants): array
    {
        [$a, $b, $c, $v, $logV0] = $constants;
        $q = exp(-$logV0);
        $curve = [];
        $slopes = [[], [], [], [], []];
        foreach ($this->volumes as $volume) {
            $d = $volume - $v;
            $root = hypot($d, $this->w);
            $h = ($d + $root) / 2.0;
            $dilution = 1.0 + $volume * $q;
            $value = ($a + $b * $volume + $c * $h) / $dilution;
            $curve[] = $value;
            $slopes[0][] = 1.0 / $dilution;
            $slopes[1][] = $volume / $dilution;
            $slopes[2][] = $h / $dilution;
            $slopes[3][] = -$c * $h / $root / $dilution;
            $slopes[4][] = $value * $volume * $q / $dilution;
        }
        $curve[] = $logV0 / $this->width * $this->scale;
        foreach ([0.0, 0.0, 0.0, 0.0, $this->scale / $this->width] as $k => $slope) {
            $slopes[$k][] = $slope;
        }

        return [$curve, $slopes];
    }

    /** {@inheritDoc} */
    public function thinned(int $every): self
    {
        return $this;
    }

    /**
     * Lines through the points on both sides of one of them.
     *
     * @return list<float>
     */
    public static function start(Series $points, int $corner, float $logV0): array
    {
        $corrected = array_map(static fn (float $x, float $y): float => $y * (1.0 + $x * exp(-$logV0)), $points->x, $points->y);
        $before = StraightLine::through(array_slice($points->x, 0, $corner + 1), array_slice($corrected, 0, $corner + 1));
        $after = StraightLine::through(array_slice($points->x, $corner), array_slice($corrected, $corner));

        return [$before->at(0.0), $before->slope, $after->slope - $before->slope, $points->x[$corner], $logV0];
    }
}
