<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Models\Calibration;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeKind;

/** What a reading would have been before a calibration: how much it changes. */
final readonly class CalibrationEffect
{
    /** The pH at which it is told. */
    private const EXAMPLE_PH = 5.0;

    private function __construct(public float $shown, public float $before)
    {
    }

    /** @return self|null null without a calibration before it in the same unit */
    public static function of(Calibration $calibration, ?ProbeCalibration $now): ?self
    {
        $last = $now === null ? null : $calibration->previous();
        $before = $last?->unit === $calibration->unit ? $last->calibrated() : null;
        $values = array_map(static fn ($r): float => $r->value, $calibration->points());
        $isPh = $calibration->probe->kind === ProbeKind::PhElectrode;
        if ($now === null || $before === null || ($values === [] && ! $isPh)) {
            return null;
        }
        $shown = $isPh ? self::EXAMPLE_PH : (min($values) + max($values)) / 2.0;

        return new self($shown, $before->quantity($now->line()->rawAt($shown), 0.0, $isPh ? $calibration->celsius() : null)->value);
    }
}
