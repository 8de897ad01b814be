<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use App\Models\RunChannel;

/** Fills the blocks of the open runs of one bench, and asks for what they missed while the line was down. */
final class RunFeed
{
    /** @var array<int, list<int>> ids of run channels being recorded, by probe id */
    private array $recording = [];

    /** @var array<int, list<Sample>> samples not yet in a block, by run channel id */
    private array $pending = [];

    /**
     * Channels whose missed readings were asked for: 'answer' until the device says how many there are, then
     * 'pack' until they come. What streams in before the answer comes again with it.
     *
     * @var array<int, 'answer'|'pack'> by probe id
     */
    private array $resuming = [];

    public function __construct(private readonly BlockStore $store, private readonly BenchLink $link)
    {
    }

    /**
     * Finds the open runs. A run is recorded only from its own bench, wherever its probes are carried meanwhile.
     *
     * @param  array<string, Probe>  $probes  those plugged in
     * @param  array<int, ChannelTrack>  $tracks  by probe id
     */
    public function findRuns(Bench $bench, array $probes, array $tracks): void
    {
        $this->flush();
        $here = Experiment::query()->where('bench_id', $bench->id)->select('id');
        $channels = RunChannel::query()
            ->whereIn('probe_id', array_map(static fn (Probe $p): int => $p->id, array_values($probes)))
            ->whereIn('run_id', Run::query()->where('state', Run::OPEN)->whereIn('experiment_id', $here)->select('id'))
            ->get();
        $recording = [];
        foreach ($channels as $channel) {
            $recording[$channel->probe_id][] = $channel->id;
            $tracks[$channel->probe_id]->continueAfter($this->store->lastSeq($channel->id));
        }
        // Only now that all of it could be read: until then what was being recorded goes on.
        $this->recording = $recording;
    }

    public function isRecording(Probe $probe): bool
    {
        return isset($this->recording[$probe->id]);
    }

    /**
     * Takes a pack into track and runs, unless it overtakes what was missed before it.
     *
     * @return bool whether it was taken
     */
    public function take(Probe $probe, ChannelTrack $track, Pack $pack): bool
    {
        $isMissing = $track->lastSeq() > 0 && $pack->samples[0]->seq > $track->lastSeq() + 1;
        if (! isset($this->resuming[$probe->id]) && $isMissing && $this->isRecording($probe)) {
            $this->askForMissed($probe, $track);
        }
        if (($this->resuming[$probe->id] ?? null) === 'answer') {
            return false;
        }
        unset($this->resuming[$probe->id]);
        $new = $track->take($pack->samples);
        foreach ($this->recording[$probe->id] ?? [] as $runChannelId) {
            $this->pending[$runChannelId] ??= [];
            array_push($this->pending[$runChannelId], ...$new);
        }

        return true;
    }

    public function askForMissed(Probe $probe, ChannelTrack $track): void
    {
        $this->resuming[$probe->id] = 'answer';
        $this->link->say(['do' => 'resume', 'channel' => $probe->channel, 'after' => $track->lastSeq()]);
    }

    /** The device has said how much is left; without a pack to come a gap remains, and the next one is taken as it is. */
    public function answered(Probe $probe): void
    {
        $this->resuming[$probe->id] = 'pack';
    }

    /** Writes what has come since the last time. */
    public function flush(): void
    {
        $blocks = [];
        foreach ($this->pending as $runChannelId => $samples) {
            array_push($blocks, ...Block::cut($runChannelId, $samples));
        }
        $this->pending = [];
        $this->store->append($blocks);
    }
}
