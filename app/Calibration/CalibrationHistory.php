<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Models\Calibration;
use Illuminate\Support\Collection;
use Welkion\Core\Calibration\CalibrationTrend;
use Welkion\Core\Calibration\KeyFigure;
use Welkion\Core\Calibration\Origin;

/** What the calibrations of a probe, one after the other, say about its future. */
final readonly class CalibrationHistory
{
    private function __construct(public string $sentence, public bool $isReplacedSoon)
    {
    }

    /**
     * @param  Collection<int, Calibration>  $calibrations  kept, the oldest first
     * @return self|null null where they say nothing
     */
    public static function of(Collection $calibrations): ?self
    {
        $days = [];
        $figures = [];
        foreach ($calibrations as $calibration) {
            $figure = $calibration->calibrated()?->keyFigures()[0] ?? null;
            $isOneOfMany = $calibration->origin === Origin::Read && $calibration->set_aside_reason === null
                && $calibration->unit === $calibrations->last()?->unit;
            if ($figure !== null && $calibration->kept_at !== null && $isOneOfMany) {
                $days[] = $calibration->kept_at->getTimestamp() / 86400.0;
                $figures[] = $figure;
            }
        }
        $trend = CalibrationTrend::of($days, $figures);
        $latest = end($figures);

        return $trend === null || ! $latest instanceof KeyFigure ? null : new self($trend->sentence($latest), $trend->isReplacedSoon());
    }
}
