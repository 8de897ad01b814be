<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Probe;

/** The channels of one bench: which probe is plugged in where, and the last minute of each. */
final class BenchChannels
{
    /** @var array<int, ChannelTrack> of all probes of the bench, by probe id */
    private array $tracks = [];

    /** @var array<int, Probe> all probes of the bench, by id */
    private array $all = [];

    /** @var array<string, Probe> those plugged in, by channel name */
    private array $present = [];

    /** From now on these are the probes; what is known of a probe that stays, stays. */
    public function become(Bench $bench): void
    {
        [$before, $this->all, $this->present, $this->tracks] = [$this->tracks, [], [], []];
        foreach ($bench->probes as $probe) {
            $probe->setRelation('bench', $bench);
            $this->all[$probe->id] = $probe;
            $this->tracks[$probe->id] = $before[$probe->id] ?? new ChannelTrack($probe->steadyLimits());
            $this->tracks[$probe->id]->judgeBy($probe->steadyLimits());
            if ($probe->is_present) {
                $this->present[$probe->channel] = $probe;
            }
        }
    }

    /** @return array<int, Probe> by id */
    public function all(): array
    {
        return $this->all;
    }

    /** @return array<int, ChannelTrack> by probe id */
    public function tracks(): array
    {
        return $this->tracks;
    }

    /** @return list<Probe> those plugged in */
    public function present(): array
    {
        return array_values($this->present);
    }

    /** @return array<int, ChannelTrack> of those plugged in, by probe id */
    public function presentTracks(): array
    {
        return array_intersect_key($this->tracks, array_flip($this->presentIds()));
    }

    /** The newest moment any channel has seen, in s of the clock of the bench; null before there is any. */
    public function newestTime(): ?float
    {
        $times = array_filter(array_map(static fn (ChannelTrack $t): ?float => $t->latestTime(), $this->tracks), is_float(...));

        return $times === [] ? null : max($times);
    }

    /** @return list<int> */
    public function presentIds(): array
    {
        return array_map(static fn (Probe $p): int => $p->id, $this->present());
    }

    /** The probe that is plugged in there. */
    public function on(string $channel): ?Probe
    {
        return $this->present[$channel] ?? null;
    }

    public function track(Probe $probe): ChannelTrack
    {
        return $this->tracks[$probe->id];
    }

    public function restartWindows(): void
    {
        foreach ($this->tracks as $track) {
            $track->restartWindow();
        }
    }

    /** @return array<int, array<string, mixed>> what a reading taken now is, by probe id; without those that have sent nothing */
    public function readings(): array
    {
        return array_filter(array_map(static fn (ChannelTrack $t): ?array => $t->reading(), $this->presentTracks()));
    }

    /** @return array{received: int, missed: int} samples of all channels since this recorder began */
    public function counts(): array
    {
        $counts = array_map(static fn (ChannelTrack $t): array => $t->counts(), array_values($this->tracks));

        return ['received' => array_sum(array_column($counts, 'received')), 'missed' => array_sum(array_column($counts, 'missed'))];
    }
}
