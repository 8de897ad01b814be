<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Series\Series;

/** Smaller steps proposed while a run goes on, because the jump is near. */
final readonly class StepAdvice
{
    /** The jump is near when the slope has grown to this many times its smallest so far. */
    private const GROWTH = 2.0;

    /** Two readings a step apart must differ by more than an electrode scatters before their slope means anything. */
    private const LEAST_CHANGE_PH = 0.05;

    /** Across a jump this step fixes the equivalence volume to about 0.03 mL, close to what a burette allows. */
    public const FINE_STEP_ML = 0.1;

    /** Fine steps are proposed over this many of the steps taken so far; should the jump lie further, advice comes again. */
    private const STEPS_AHEAD = 2;

    private const MIN_READINGS = 5;

    /** Growth is told from noise by at least this many slopes since the flattest one. */
    private const MIN_SLOPES = 3;

    private function __construct(
        public float $growth,
        public float $over,
        public float $from,
        public float $to,
        public float $step,
    ) {
    }

    /**
     * @param  Series  $taken  mL and pH so far
     * @param  list<float>  $remaining  planned volumes still to come, mL
     */
    public static function for(Series $taken, array $remaining): ?self
    {
        $n = $taken->count();
        if ($n < self::MIN_READINGS || $remaining === []) {
            return null;
        }
        $reached = $taken->x[$n - 1];
        $next = $remaining[0] - $reached;
        if ($next < 1.5 * self::FINE_STEP_ML) {
            return null;
        }

        // A weak acid begins steep, flattens where it buffers best and steepens again: growth counts from there.
        $slopes = $taken->derivative();
        $magnitudes = array_map(abs(...), $slopes->y);
        $flattest = (int) array_search(min(INF, ...$magnitudes), $magnitudes, true);
        $since = array_slice($magnitudes, $flattest);
        $latest = $magnitudes[$n - 2];
        $lastStep = $reached - $taken->x[$n - 2];
        $hasGrown = $since[0] > 0.0 && $latest >= self::GROWTH * $since[0] && $latest * $lastStep >= self::LEAST_CHANGE_PH;
        // A slope that no longer grows is the far side of the jump, or noise.
        if (! $hasGrown || count($since) < self::MIN_SLOPES || $latest < max($since)) {
            return null;
        }

        return new self(
            growth: $latest / $since[0],
            over: $slopes->x[$n - 2] - $slopes->x[$flattest],
            from: $reached,
            to: round(min($reached + max(self::STEPS_AHEAD * $lastStep, 1.0), $remaining[count($remaining) - 1]), 2),
            step: self::FINE_STEP_ML,
        );
    }

    /** The advice in a few words. */
    public function title(): string
    {
        return 'The jump is near.';
    }

    /** Why, and what it brings. */
    public function sentence(): string
    {
        return sprintf(
            'The slope is %s times what it was %s mL ago. Smaller steps here fix the equivalence volume better.',
            number_format($this->growth, 1),
            number_format($this->over, 1),
        );
    }
}
