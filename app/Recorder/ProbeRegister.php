<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Probe;
use Illuminate\Support\Carbon;
use Welkion\Core\Calibration\ProbeKind;

/** Writes down which probes are plugged in at a bench. A probe is known by its serial number, wherever it is carried. */
final class ProbeRegister
{
    /**
     * @param  array<array-key, mixed>  $channels  as a device tells them
     * @return list<int> benches from which a probe was carried here
     */
    public static function note(Bench $bench, array $channels): array
    {
        $serials = [];
        $left = [];
        foreach (array_values($channels) as $position => $channel) {
            $kind = is_array($channel) && is_string($channel['kind'] ?? null) ? ProbeKind::tryFrom($channel['kind']) : null;
            if (! is_array($channel) || $kind === null || ! is_string($channel['serial'] ?? null) || ! is_string($channel['name'] ?? null)) {
                continue;
            }
            $serials[] = $channel['serial'];
            $from = self::plugIn($bench, $kind, $channel['name'], $channel['serial'], $position, $channel);
            $left = $from === null ? $left : [...$left, $from];
        }
        foreach ($bench->probes()->where('is_present', true)->get() as $probe) {
            if (! in_array($probe->serial, $serials, true)) {
                $probe->update(['is_present' => false, 'presence_changed_at' => now()]);
            }
        }

        return $left;
    }

    /**
     * @param  array<array-key, mixed>  $told
     * @return int|null the bench it came from, if that is another
     */
    private static function plugIn(Bench $bench, ProbeKind $kind, string $channel, string $serial, int $position, array $told): ?int
    {
        $probe = Probe::query()->with('bench')->where('serial', $serial)->whereRelation('bench', 'user_id', $bench->user_id)->first()
            ?? new Probe(['serial' => $serial]);
        $stated = is_array($told['stated'] ?? null) ? $told['stated'] : [];
        $number = static fn (mixed $value): ?float => is_int($value) || is_float($value) ? (float) $value : null;
        $from = $probe->exists && $probe->bench_id !== $bench->id ? $probe->bench : null;
        $probe->fill([
            'bench_id' => $bench->id, 'channel' => $channel, 'position' => $position, 'kind' => $kind,
            'title' => is_string($told['title'] ?? null) ? $told['title'] : $channel,
            'raw_unit' => is_string($told['unit'] ?? null) ? $told['unit'] : '',
            'resolution' => $number($told['resolution'] ?? null) ?? 0.0, 'fastest_hz' => $number($told['fastestHz'] ?? null) ?? 1.0,
            'put_away_at' => null,
            'stated_slope' => $number($stated['slope'] ?? null), 'stated_offset' => $number($stated['offset'] ?? null),
        ]);
        if ($from !== null) {
            $probe->moved_from = $from->name;
        }
        if ($from !== null || ($probe->exists && ! $probe->is_present)) {
            $probe->presence_changed_at = Carbon::now();
        }
        $probe->is_present = true;
        $probe->save();

        return $from?->id;
    }
}
