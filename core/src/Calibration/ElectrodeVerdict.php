<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** What a calibration says about a pH electrode, and what to do about it. */
enum ElectrodeVerdict: string
{
    /** Slope 95 to 102 % of ideal, within 30 mV at pH 7. */
    case Healthy = 'healthy';
    /** Slope 85 to below 95 %: usable. */
    case Aged = 'aged';
    /** Slope below 85 %. */
    case Failing = 'failing';
    /** More than 30 mV at pH 7 with a sound slope. */
    case Offset = 'offset';
    /** Slope above 102 %: no electrode does that, so a standard is not what it says. */
    case CheckStandards = 'check_standards';

    public const HEALTHY_FROM_PERCENT = 95.0;

    public const AGED_FROM_PERCENT = 85.0;

    public const HEALTHY_TO_PERCENT = 102.0;

    public const GOOD_OFFSET_MV = 15.0;

    public const USABLE_OFFSET_MV = 30.0;

    /** The verdict for a slope in per cent of the ideal and an offset at pH 7 in mV. */
    public static function of(float $slopePercent, float $offsetMv): self
    {
        return match (true) {
            $slopePercent < self::AGED_FROM_PERCENT => self::Failing,
            $slopePercent > self::HEALTHY_TO_PERCENT => self::CheckStandards,
            abs($offsetMv) > self::USABLE_OFFSET_MV => self::Offset,
            $slopePercent < self::HEALTHY_FROM_PERCENT => self::Aged,
            default => self::Healthy,
        };
    }

    /** The verdict in words, for an electrode with this offset in mV. */
    public function verdict(float $offsetMv): Verdict
    {
        return match ($this) {
            self::Healthy => new Verdict('healthy', Grade::Good, 'Healthy electrode.', abs($offsetMv) > self::GOOD_OFFSET_MV
                ? 'The slope is sound. The offset is larger than usual: refill or change the reference electrolyte soon.'
                : 'Rinse it, and keep it in storage solution between lessons.'),
            self::Aged => new Verdict('aged', Grade::Fair, 'Ageing electrode.',
                'Usable with this calibration. Clean the glass and soak it in storage solution overnight, then watch the slope.'),
            self::Failing => new Verdict('failing', Grade::Poor, 'Failing electrode.',
                'Results would be too uncertain. Clean and soak it; if the slope stays below 85 %, replace the electrode.'),
            self::Offset => new Verdict('offset', Grade::Fair, 'Offset electrode.',
                'Usable after this calibration, but the reference side is suspect: open the filling hole, refill, and soak it.'),
            self::CheckStandards => new Verdict('check_standards', Grade::Poor, 'Check the standards.',
                'No electrode is steeper than ideal. Take fresh standards, check which bottle is which, and calibrate again.'),
        };
    }
}
