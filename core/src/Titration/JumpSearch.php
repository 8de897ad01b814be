<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Series\Series;
use Welkion\Core\Series\TautString;

/**
 * Where a titration curve jumps, told from what its readings scatter.
 *
 * A string is pulled taut through the readings, as far from each as it may scatter; each top that its slope still has is a
 * jump that the readings demand.
 *
 * @internal used by EquivalenceFinder alone
 */
final readonly class JumpSearch
{
    /**
     * A jump is steeper than what lies on both its sides by at least this share of its own slope. Of a flatter one the
     * steepest point lies too far from the equivalence point (by up to 13 % of its volume for two groups half as distinct).
     */
    private const LEAST_SHARE = 0.35;

    /** @param  float  $volumeUncertainty  standard uncertainty of one burette reading, mL */
    public function __construct(private float $volumeUncertainty)
    {
    }

    /** @return list<Jump> in order of volume */
    public function in(TitrationCurve $curve): array
    {
        $points = $curve->points;
        $rising = Series::of($points->x, array_map(static fn (float $y): float => $y * $curve->direction(), $points->y));
        $string = $this->string($rising, $curve->noise);
        $jumps = [];
        foreach ($string->tops() as $top) {
            [$from, $to] = [$string->knots[$top], $string->knots[$top + 1]];
            $slope = ($rising->y[$to] - $rising->y[$from]) / ($rising->x[$to] - $rising->x[$from]);
            $excess = $slope - $string->saddle($top);
            // Where the pH falls back for a while, its least fall is a top too, and no jump.
            if ($slope > 0.0 && $excess >= self::LEAST_SHARE * $slope && $this->restsOnSeveral($rising, $curve->noise, $from, $to)) {
                $jumps[] = new Jump($from, $to, $excess);
            }
        }

        return $jumps;
    }

    private function string(Series $rising, float $noise): TautString
    {
        $n = $rising->count();
        // The greatest of n normal errors is about so many standard deviations.
        $deviations = sqrt(2.0 * log($n));
        $slopes = $rising->derivative()->y;
        $within = [];
        for ($i = 0; $i < $n; $i++) {
            $steepest = max(abs($slopes[$i - 1] ?? 0.0), abs($slopes[$i] ?? 0.0));
            $within[] = $deviations * hypot($noise, $steepest * $this->volumeUncertainty);
        }

        return TautString::through($rising, $within);
    }

    private function restsOnSeveral(Series $rising, float $noise, int $from, int $to): bool
    {
        foreach ([$from, $to] as $one) {
            $without = $rising->without($one);
            $string = $this->string($without, $noise);
            $isThere = false;
            foreach ($string->tops() as $top) {
                $isThere = $isThere || ($without->x[$string->knots[$top]] <= $rising->x[$to] && $without->x[$string->knots[$top + 1]] >= $rising->x[$from]);
            }
            if (! $isThere) {
                return false;
            }
        }

        return true;
    }
}
