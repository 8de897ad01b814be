<?php

declare(strict_types=1);

namespace App\Recorder\Live;

use App\Models\Probe;
use App\Recorder\Snapshot;
use Welkion\Core\Calibration\ProbeKind;

/** The thermometer that stands in the same beaker as the other probes of a bench. */
final readonly class BenchThermometer
{
    private function __construct(public Probe $probe)
    {
    }

    /** The one on the bench of a probe; null if none is plugged in there, or for a thermometer itself. */
    public static function of(Probe $probe): ?self
    {
        if ($probe->kind === ProbeKind::Thermometer) {
            return null;
        }

        return self::among($probe->bench->probes()->with('calibration', 'lastZero')->get());
    }

    /** @param  iterable<Probe>  $probes */
    public static function among(iterable $probes): ?self
    {
        foreach ($probes as $probe) {
            if ($probe->kind === ProbeKind::Thermometer && $probe->is_present) {
                return new self($probe);
            }
        }

        return null;
    }

    public function celsius(Snapshot $snapshot): ?float
    {
        $mean = $snapshot->maybe($this->probe->id)?->mean;

        return $mean === null ? null : $this->probe->reading()->quantity($mean)->value;
    }
}
