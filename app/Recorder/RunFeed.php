<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Probe;
use App\Recorder\Keeping\Block;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Link\BenchLink;
use App\Recorder\Link\DeviceFault;
use App\Recorder\Link\Pack;
use App\Recorder\Link\Sample;
use App\Recorder\Timed\TimedRuns;

/** Fills the blocks of the open runs of one bench, and asks for what they missed while the line was down. */
final class RunFeed
{
    /** @var array<int, list<int>> ids of run channels being recorded, by probe id */
    private array $recording = [];

    /** @var array<int, list<Sample>> samples not yet in a block, by run channel id */
    private array $pending = [];

    private readonly MissedReadings $missed;

    public function __construct(private readonly SampleKeeper $keeper, private readonly BenchLink $link, private readonly TimedRuns $timed)
    {
        $this->missed = new MissedReadings;
    }

    /**
     * From now on these runs are recorded. A run is recorded only from its own bench, wherever its probes are carried
     * meanwhile.
     *
     * @param  array<int, ChannelTrack>  $tracks  of the probes plugged in, by probe id
     */
    public function record(BenchState $state, array $tracks): void
    {
        $this->flush();
        $this->recording = [];
        $this->timed->record($state->timedRuns);
        foreach ($state->openChannels as ['id' => $id, 'probeId' => $probeId, 'lastSeq' => $lastSeq, 'isTimed' => $isTimed]) {
            if (isset($tracks[$probeId])) {
                $isTimed || $this->recording[$probeId][] = $id;
                $tracks[$probeId]->continueAfter(max($lastSeq, $this->keeper->lastSeq($id)));
            }
        }
    }

    /** @return list<int> run channels being recorded */
    public function channels(): array
    {
        return array_merge($this->timed->channels(), ...array_values($this->recording));
    }

    public function isRecording(Probe $probe): bool
    {
        return isset($this->recording[$probe->id]) || $this->timed->listensTo($probe->id);
    }

    /**
     * Takes a pack into track and runs, unless it overtakes what was missed before it.
     *
     * @return bool whether it was taken
     *
     * @throws DeviceFault If its numbers cannot be.
     */
    public function take(Probe $probe, ChannelTrack $track, Pack $pack): bool
    {
        $isMissing = $track->lastSeq() > 0 && $pack->samples[0]->seq > $track->lastSeq() + 1;
        if ($isMissing && ! $this->missed->areAwaited($probe->id) && $this->isRecording($probe)) {
            $this->askForMissed($probe, $track);
        }
        if ($this->missed->holdBack($probe->id, microtime(true))) {
            return false;
        }
        $new = $track->take($pack->samples);
        foreach ($this->recording[$probe->id] ?? [] as $runChannelId) {
            foreach ($new as $sample) {
                $this->pending[$runChannelId][] = $sample;
            }
        }
        foreach ($this->timed->take($probe->id, $track, $new) as $runChannelId => $samples) {
            $this->pending[$runChannelId] = [...$this->pending[$runChannelId] ?? [], ...$samples];
        }

        return true;
    }

    public function askForMissed(Probe $probe, ChannelTrack $track): void
    {
        $this->missed->ask($probe->id);
        $this->link->say(['do' => 'resume', 'channel' => $probe->channel, 'after' => $track->lastSeq()]);
    }

    /** The device has said how much is left; without a pack to come a gap remains, and the next one is taken as it is. */
    public function answered(Probe $probe): void
    {
        $this->missed->answered($probe->id);
    }

    /** Hands on what has come since the last time. */
    public function flush(): void
    {
        $blocks = [];
        foreach ($this->pending as $runChannelId => $samples) {
            array_push($blocks, ...Block::cut($runChannelId, $samples));
        }
        $this->pending = [];
        $this->keeper->append($blocks, microtime(true));
    }
}
