<?php

declare(strict_types=1);

namespace App\Watching;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use App\Notebook\Roles;

/** Which live value belongs to which column of a notebook: as the open run has it, or as the next one would. */
final class BoardChannels
{
    /** @return array{benchId: int|null, besideId: int|null, channels: list<array{symbol: string, probeId: int, unit: string}>} */
    public static function of(Experiment $experiment): array
    {
        $open = $experiment->runs()->where('state', Run::OPEN)->with(['channels.probe', 'channels.calibration', 'channels.reworkings.calibration'])->get()->first();
        $benches = ['benchId' => $open === null ? $experiment->bench_id : $open->bench_id, 'besideId' => $open === null ? $experiment->beside_id : $open->beside_id];
        if ($benches['benchId'] === null) {
            return ['benchId' => null, 'besideId' => null, 'channels' => []];
        }
        $probes = [];
        if ($open !== null) {
            foreach ($open->channels as $channel) {
                $probes[$channel->role ?? ''] = ['id' => $channel->probe_id, 'unit' => $channel->unit()];
            }
        } else {
            foreach (self::assigned($experiment) as [$probe, $role]) {
                $probes[$role ?? ''] = ['id' => $probe->id, 'unit' => $probe->unit()];
            }
        }
        $channels = $experiment->columns->filter(static fn (Column $c): bool => $c->role !== null && isset($probes[$c->role]))->map(
            static fn (Column $c): array => ['symbol' => $c->symbol, 'probeId' => $probes[(string) $c->role]['id'], 'unit' => $probes[(string) $c->role]['unit']],
        );

        return $benches + ['channels' => array_values($channels->all())];
    }

    /** @return list<array{Probe, string|null}> none if a run could not be begun */
    private static function assigned(Experiment $experiment): array
    {
        try {
            return $experiment->bench === null ? [] : Roles::assigned($experiment, $experiment->bench, $experiment->beside);
        } catch (Refusal) {
            return [];
        }
    }
}
