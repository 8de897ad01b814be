<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Probe;

/** What screens show of a bench right now: raw signal, quantity by the calibration in force, steadiness. */
final readonly class LiveView
{
    /**
     * @param  array<string, Probe>  $probes  by channel name
     * @param  array<int, ChannelTrack>  $tracks  by probe id
     */
    public function __construct(private array $probes, private array $tracks)
    {
    }

    /** The newest moment any channel has seen, in s of the bench's clock. */
    public function time(): ?float
    {
        $times = array_filter(array_map(static fn (ChannelTrack $t): ?float => $t->latestTime(), $this->tracks));

        return $times === [] ? null : max($times);
    }

    /** @return list<array<string, mixed>> */
    public function probes(): array
    {
        $celsius = $this->celsius();

        return array_map(function (Probe $probe) use ($celsius): array {
            $track = $this->tracks[$probe->id];
            $raw = $track->latest();
            $steadiness = $track->steadiness();
            $line = $probe->isPhElectrode() ? $probe->calibration?->line() : null;

            return [
                'id' => $probe->id,
                'raw' => $raw,
                'value' => match (true) {
                    $raw === null => null,
                    $probe->isPhElectrode() => $line?->ph($raw, 0.0, $celsius)->value,
                    default => $raw,
                },
                'state' => match (true) {
                    $raw === null => 'silent',
                    $steadiness->isSteady => 'steady',
                    default => 'settling',
                },
                'rawDriftPerMinute' => $steadiness->driftPerMinute,
                'valueDriftPerMinute' => $line === null ? null : -$steadiness->driftPerMinute / $line->slope,
                'rawScatter' => $steadiness->scatter,
                'steadyForS' => $track->steadyFor(),
            ];
        }, array_values($this->probes));
    }

    private function celsius(): ?float
    {
        foreach ($this->probes as $probe) {
            if ($probe->kind === Probe::THERMOMETER) {
                return $this->tracks[$probe->id]->latest();
            }
        }

        return null;
    }
}
