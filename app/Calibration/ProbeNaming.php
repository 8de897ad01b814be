<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Probe;
use App\Recorder\RecorderClient;
use Welkion\Core\Calibration\ProbeKind;

/** What a probe of no known kind measures, as its teacher says. */
final readonly class ProbeNaming
{
    public function __construct(private RecorderClient $recorder)
    {
    }

    /** @throws Refusal If its kind says what it measures, or something was recorded in another unit. */
    public function name(Probe $probe, string $title, string $unit): Probe
    {
        if ($probe->kind !== ProbeKind::AnyQuantity) {
            throw Refusal::kindIsKnown($probe->title);
        }
        $before = $probe->model()->unit;
        if ($unit !== $before && $probe->runChannels()->whereNull('calibration_id')->exists()) {
            throw Refusal::recordedInUnit($probe->title, $before);
        }
        $probe->update(['title' => $title, 'own_title' => $title, 'own_unit' => $unit]);
        $this->recorder->reload($probe->bench);

        return $probe;
    }
}
