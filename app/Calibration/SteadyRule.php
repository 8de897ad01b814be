<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Probe;
use App\Recorder\ChannelMean;
use Welkion\Core\Series\SteadyLimits;

/** A reading is taken once its probe is steady, or on an explicit "take it anyway". */
final class SteadyRule
{
    /** @throws Refusal If the probe is still settling and nobody insisted. */
    public static function require(ChannelMean $channel, Probe $probe, bool $takeAnyway): void
    {
        if ($channel->isSteady || $takeAnyway) {
            return;
        }
        $isMoving = abs($channel->driftPerMinute) > $probe->steadyLimits()->driftPerMinute
            && abs($channel->driftPerMinute) * SteadyLimits::WINDOW_S / 60.0 > $probe->resolution;

        throw $isMoving ? Refusal::notSteady($channel->driftPerMinute, $probe->raw_unit) : Refusal::windowTooShort();
    }
}
