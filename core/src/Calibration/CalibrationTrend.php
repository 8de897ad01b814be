<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Linear\StraightLine;

/**
 * How a probe has changed over its calibrations: a least-squares line through its key figure against time.
 *
 * It speaks only of a change that stands out of the scatter of the calibrations (two standard errors).
 */
final readonly class CalibrationTrend
{
    private const DAYS_A_MONTH = 30.0;

    private const FEWEST = 3;

    private const SHORTEST_DAYS = 14.0;

    private const SIGNIFICANCE = 2.0;

    /** A probe that will be of no use within this time is worth ordering anew. */
    private const SOON_DAYS = 90.0;

    /**
     * @param  float  $perMonth  change of the key figure in 30 days
     * @param  float|null  $daysLeft  days from the last calibration until it is of no use; 0 if it is not already; null if it does not get there
     */
    private function __construct(public float $perMonth, public float $perMonthUncertainty, public ?float $daysLeft)
    {
    }

    /**
     * @param  list<float>  $days  of the calibrations, rising
     * @param  list<KeyFigure>  $figures  one for each
     * @return self|null null while there are too few, over too short a time, or no change stands out
     */
    public static function of(array $days, array $figures): ?self
    {
        $n = count($days);
        if ($n < self::FEWEST || $days[$n - 1] - $days[0] < self::SHORTEST_DAYS) {
            return null;
        }
        $line = StraightLine::through($days, array_map(static fn (KeyFigure $f): float => $f->measured->value, $figures));
        if (abs($line->slope) <= self::SIGNIFICANCE * $line->slopeError || $line->slope === 0.0) {
            return null;
        }
        $limit = $line->slope < 0.0 ? $figures[$n - 1]->usableFrom : $figures[$n - 1]->usableTo;
        $now = $line->at($days[$n - 1]);

        return new self(
            self::DAYS_A_MONTH * $line->slope,
            self::DAYS_A_MONTH * $line->slopeError,
            $limit === null ? null : max(0.0, ($limit - $now) / $line->slope),
        );
    }

    public function isReplacedSoon(): bool
    {
        return $this->daysLeft !== null && $this->daysLeft <= self::SOON_DAYS;
    }

    /** What it comes to, in words. */
    public function sentence(KeyFigure $latest): string
    {
        $unit = $latest->measured->unit->symbol;
        $digits = abs($this->perMonth) >= 0.1 ? 1 : 3;
        $pace = sprintf('%s about %.'.$digits.'F %s a month', $this->perMonth < 0.0 ? 'Falls' : 'Rises', abs($this->perMonth), $unit);
        if (! $this->isReplacedSoon() || $this->daysLeft === null) {
            return "{$pace}.";
        }
        $limit = $this->perMonth < 0.0 ? $latest->usableFrom : $latest->usableTo;
        $word = $this->perMonth < 0.0 ? 'below' : 'above';

        return $this->daysLeft < 1.0
            ? "{$pace}, and is {$word} {$limit} {$unit} by now."
            : sprintf('%s: %s %s %s in about %d weeks.', $pace, $word, $limit, $unit, (int) ceil($this->daysLeft / 7.0));
    }
}
