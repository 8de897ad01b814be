<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Probe;
use App\Recorder\Link\ToldChannel;
use Illuminate\Support\Carbon;

/** Writes down which probes are plugged in at a bench. A probe is known by its serial number, wherever it is carried. */
final class ProbeRegister
{
    /**
     * @param  list<ToldChannel>  $channels
     * @return list<int> benches from which a probe was carried here
     */
    public static function note(Bench $bench, array $channels): array
    {
        $left = [];
        foreach ($channels as $position => $channel) {
            $from = self::plugIn($bench, $channel, $position);
            $left = $from === null ? $left : [...$left, $from];
        }
        $serials = array_map(static fn (ToldChannel $c): string => $c->serial, $channels);
        foreach ($bench->probes()->where('is_present', true)->get() as $probe) {
            if (! in_array($probe->serial, $serials, true)) {
                $probe->update(['is_present' => false, 'presence_changed_at' => now()]);
            }
        }

        return $left;
    }

    /** @return int|null the bench it came from, if that is another */
    private static function plugIn(Bench $bench, ToldChannel $told, int $position): ?int
    {
        $probe = Probe::query()->with('bench')->where('serial', $told->serial)->where('user_id', $bench->user_id)->get()->first()
            ?? new Probe(['serial' => $told->serial, 'user_id' => $bench->user_id]);
        $from = $probe->exists && $probe->bench_id !== $bench->id ? $probe->bench : null;
        $probe->fill([
            'bench_id' => $bench->id, 'channel' => $told->name, 'position' => $position, 'kind' => $told->kind, 'title' => $probe->own_title ?? $told->title,
            'raw_unit' => $told->unit, 'resolution' => $told->resolution, 'fastest_hz' => $told->fastestHz, 'put_away_at' => null,
            'stated_slope' => $told->statedSlope, 'stated_offset' => $told->statedOffset, 'stated_unit' => $told->statedUnit,
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
