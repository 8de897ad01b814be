<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Probe;
use App\Recorder\ChannelMean;

/** A reading is taken once its probe is steady, or on an explicit "take it anyway". */
final class SteadyRule
{
    /** @throws Refusal If the probe is still settling and nobody insisted. */
    public static function require(ChannelMean $channel, Probe $probe, bool $takeAnyway): void
    {
        if ($channel->isSteady || $takeAnyway) {
            return;
        }
        $limits = $probe->steadyLimits()->at($channel->mean);
        if (! $channel->isWindowFull) {
            throw Refusal::windowTooShort($limits->windowS);
        }
        if ($channel->scatter > $limits->scatter) {
            throw Refusal::scatters($channel->scatter, $probe->raw_unit);
        }

        throw Refusal::notSteady($channel->driftPerMinute, $probe->raw_unit);
    }
}
