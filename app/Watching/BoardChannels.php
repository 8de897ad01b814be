<?php

declare(strict_types=1);

namespace App\Watching;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use App\Models\RunChannel;
use App\Notebook\Roles;

/** Which live value belongs to which column of a notebook: as the open run has it, or as the next one would. */
final class BoardChannels
{
    /** @return array{benchId: int|null, channels: list<array{symbol: string, probeId: int, unit: string}>} */
    public static function of(Experiment $experiment): array
    {
        $open = $experiment->runs()->where('state', Run::OPEN)->with(['channels.probe', 'channels.calibration', 'channels.reworkings.calibration', 'bench'])->get()->first();
        $bench = $open === null ? $experiment->bench : $open->bench;
        if ($bench === null) {
            return ['benchId' => null, 'channels' => []];
        }
        $probes = [];
        if ($open !== null) {
            foreach ($open->channels as $channel) {
                $probes[$channel->role ?? ''] = ['id' => $channel->probe_id, 'unit' => self::unit($channel)];
            }
        } else {
            foreach (self::assigned($experiment) as [$probe, $role]) {
                $probes[$role ?? ''] = ['id' => $probe->id, 'unit' => $probe->calibration->unit ?? $probe->kind->unit()];
            }
        }
        $channels = $experiment->columns->filter(static fn (Column $c): bool => $c->role !== null && isset($probes[$c->role]))->map(
            static fn (Column $c): array => ['symbol' => $c->symbol, 'probeId' => $probes[(string) $c->role]['id'], 'unit' => $probes[(string) $c->role]['unit']],
        );

        return ['benchId' => $bench->id, 'channels' => array_values($channels->all())];
    }

    private static function unit(RunChannel $channel): string
    {
        return $channel->calibrationInForce()->unit ?? $channel->probe->kind->unit();
    }

    /** @return list<array{Probe, string|null}> none if a run could not be begun */
    private static function assigned(Experiment $experiment): array
    {
        try {
            return $experiment->bench === null ? [] : Roles::assigned($experiment, $experiment->bench);
        } catch (Refusal) {
            return [];
        }
    }
}
