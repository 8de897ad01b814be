<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Uncertainty\Sample;

/** What is read off a stretch of a run. */
final readonly class SpanStatistics
{
    private function __construct(
        public Sample $sample,
        public float $start,
        public float $end,
        public float $changeX,
        public float $changeY,
        public ?StraightLine $line,
        private Series $points,
    ) {
    }

    /** @throws NotEnoughPoints If no point lies in it. */
    public static function of(Series $points): self
    {
        $last = $points->count() - 1;
        $sample = Sample::of($points->y);

        return new self(
            sample: $sample,
            start: $points->y[0],
            end: $points->y[$last],
            changeX: $points->x[$last] - $points->x[0],
            changeY: $points->y[$last] - $points->y[0],
            line: $last > 0 ? StraightLine::through($points->x, $points->y) : null,
            points: $points,
        );
    }

    /** Area between the points and a baseline by trapezoids, in the unit of x times the unit of y. */
    public function area(Baseline $baseline = Baseline::Zero): float
    {
        $area = 0.0;
        for ($i = 1, $n = $this->points->count(); $i < $n; $i++) {
            $area += ($this->points->x[$i] - $this->points->x[$i - 1]) * ($this->points->y[$i] + $this->points->y[$i - 1]) / 2.0;
        }

        return $area - $this->changeX * match ($baseline) {
            Baseline::Zero => 0.0,
            Baseline::FirstPoint => $this->start,
            Baseline::Ends => ($this->start + $this->end) / 2.0,
        };
    }
}
