<?php

declare(strict_types=1);

namespace App\Titration;

use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;

/** Which of the four stages of an experiment are done. */
final class Stages
{
    /** @return array{prepare: bool, record: bool, reason: bool, report: bool} */
    public static function of(Experiment $experiment): array
    {
        $isCalibrated = $experiment->bench->probes->contains(
            static fn (Probe $probe): bool => $probe->isPhElectrode() && $probe->calibration !== null,
        );
        $isRecorded = $experiment->runs->isNotEmpty()
            && $experiment->runs->every(static fn (Run $run): bool => ! $run->isOpen());
        $entries = array_column($experiment->entries, 'value');

        return [
            'prepare' => $isCalibrated,
            'record' => $isRecorded,
            'reason' => $isRecorded && ! in_array(null, $entries, true),
            'report' => $isRecorded && trim((string) $experiment->conclusion) !== '',
        ];
    }
}
