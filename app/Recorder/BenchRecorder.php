<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Probe;
use App\Models\Run;
use App\Models\RunChannel;
use React\EventLoop\LoopInterface;
use React\EventLoop\TimerInterface;

/** Records one bench: keeps its channels, fills the blocks of its open runs, shows its live values. */
final class BenchRecorder
{
    /** At most 20 live messages a second. */
    private const PUBLISH_EACH_S = 0.05;

    private const STREAM_HZ = 4.0;

    private readonly BenchLink $link;

    /** @var array<int, ChannelTrack> by probe id */
    private array $tracks = [];

    /** @var array<string, Probe> by channel name */
    private array $probes = [];

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

    /** @var array<array-key, mixed>|null */
    private ?array $world = null;

    private ?float $madeAt = null;

    private float $publishedAt = 0.0;

    private ?TimerInterface $publishTimer = null;

    public function __construct(
        public readonly Bench $bench,
        private readonly LoopInterface $loop,
        private readonly BlockStore $store,
        private readonly LivePublisher $publisher,
    ) {
        $this->link = new BenchLink(
            $loop,
            "{$bench->host}:{$bench->port}",
            $this->greeted(...),
            $this->take(...),
            $this->resumed(...),
            $this->publish(...),
        );
        $this->link->open();
    }

    public function close(): void
    {
        $this->flush();
        $this->link->close();
    }

    public function isConnected(): bool
    {
        return $this->link->isConnected() && $this->probes !== [];
    }

    /** Reads probes, calibrations and open runs again, after the application changed them. */
    public function reload(): void
    {
        $this->probes = [];
        foreach ($this->bench->probes()->with('calibration')->get() as $probe) {
            $this->probes[$probe->channel] = $probe;
            $this->tracks[$probe->id] ??= new ChannelTrack($probe->steadyLimits());
        }
        $this->flush();
        $this->recording = [];
        $channels = RunChannel::query()
            ->whereIn('probe_id', array_map(static fn (Probe $p): int => $p->id, array_values($this->probes)))
            ->whereIn('run_id', Run::query()->where('state', Run::OPEN)->select('id'))
            ->get();
        foreach ($channels as $channel) {
            $this->recording[$channel->probe_id][] = $channel->id;
            $this->tracks[$channel->probe_id]->continueAfter($this->store->lastSeq($channel->id));
        }
        $this->publish();
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

    /**
     * Every channel's mean, scatter and steadiness over its window, for a reading taken now.
     *
     * @return array<string, mixed>
     */
    public function snapshot(): array
    {
        if (! $this->isConnected()) {
            return ['problem' => 'The bench is not connected. Check that it is switched on.'];
        }
        $probes = [];
        foreach ($this->probes as $probe) {
            $steadiness = $this->tracks[$probe->id]->steadiness();
            if ($steadiness->count > 0) {
                $probes[$probe->id] = [
                    'mean' => $steadiness->mean, 'scatter' => $steadiness->scatter, 'count' => $steadiness->count,
                    'isSteady' => $steadiness->isSteady, 'driftPerMinute' => $steadiness->driftPerMinute,
                    'samples' => $this->tracks[$probe->id]->window(), 'time' => $this->tracks[$probe->id]->latestTime(),
                ];
            }
        }

        return ['probes' => $probes];
    }

    /** A reading was taken, or hands did something: judge steadiness afresh. */
    public function restartWindows(): void
    {
        foreach ($this->tracks as $track) {
            $track->restartWindow();
        }
        $this->publish();
    }

    /**
     * @param  array<string, mixed>  $details
     * @param  \Closure(array<array-key, mixed>): void  $then
     */
    public function act(array $details, \Closure $then): void
    {
        $this->link->ask(['do' => 'act'] + $details, function (array $answer) use ($details, $then): void {
            if (is_array($answer['world'] ?? null)) {
                $this->world = $answer['world'];
                if (($details['act'] ?? null) !== 'speed') {
                    $this->restartWindows();
                }
                $this->publish();
            }
            $then($answer);
        });
    }

    /** @param  \Closure(array<array-key, mixed>): void  $then */
    public function truth(\Closure $then): void
    {
        $this->link->ask(['do' => 'tell'], $then);
    }

    /** @param  array<array-key, mixed>  $hello */
    private function greeted(array $hello): void
    {
        $this->world = is_array($hello['world'] ?? null) ? $hello['world'] : null;
        foreach (is_array($hello['channels'] ?? null) ? $hello['channels'] : [] as $channel) {
            $this->bench->probes()->updateOrCreate(['channel' => $channel['name']], [
                'kind' => $channel['kind'], 'title' => $channel['title'], 'serial' => $channel['serial'],
                'raw_unit' => $channel['unit'], 'resolution' => $channel['resolution'],
            ]);
        }
        $this->reload();
        foreach ($this->probes as $probe) {
            // What a run has missed comes first; the stream goes on from there.
            if (isset($this->recording[$probe->id])) {
                $this->askForMissed($probe);
            }
            $this->link->say(['do' => 'stream', 'channel' => $probe->channel, 'rate' => self::STREAM_HZ]);
        }
    }

    private function askForMissed(Probe $probe): void
    {
        $this->resuming[$probe->id] = 'answer';
        $this->link->say([
            'do' => 'resume', 'channel' => $probe->channel, 'after' => $this->tracks[$probe->id]->lastSeq(),
        ]);
    }

    private function resumed(string $channel): void
    {
        $probe = $this->probes[$channel] ?? null;
        if ($probe === null) {
            return;
        }
        // Without a pack to come the device has nothing more of it: a gap remains, and the next pack is taken as it is.
        $this->resuming[$probe->id] = 'pack';
    }

    private function take(Pack $pack): void
    {
        $probe = $this->probes[$pack->channel] ?? null;
        if ($probe === null) {
            return;
        }
        $track = $this->tracks[$probe->id];
        $isMissing = $track->lastSeq() > 0 && $pack->samples[0]->seq > $track->lastSeq() + 1;
        if (! isset($this->resuming[$probe->id]) && $isMissing && isset($this->recording[$probe->id])) {
            $this->askForMissed($probe);
        }
        if (($this->resuming[$probe->id] ?? null) === 'answer') {
            return;
        }
        unset($this->resuming[$probe->id]);
        $new = $track->take($pack->samples);
        foreach ($this->recording[$probe->id] ?? [] as $runChannelId) {
            $this->pending[$runChannelId] = [...$this->pending[$runChannelId] ?? [], ...$new];
        }
        $this->madeAt = $pack->madeAt;
        $this->publishSoon();
    }

    private function publishSoon(): void
    {
        if ($this->publishTimer !== null) {
            return;
        }
        $wait = $this->publishedAt + self::PUBLISH_EACH_S - microtime(true);
        // The few milliseconds let the other channels of the same moment come along.
        $this->publishTimer = $this->loop->addTimer(max(0.003, $wait), function (): void {
            $this->publishTimer = null;
            $this->publish();
        });
    }

    private function publish(): void
    {
        $this->publishedAt = microtime(true);
        $view = new LiveView($this->probes, $this->tracks);
        $this->publisher->publish("bench-{$this->bench->id}", json_encode([
            'benchId' => $this->bench->id,
            'isConnected' => $this->isConnected(),
            'madeAtMs' => $this->madeAt === null ? null : round($this->madeAt * 1000, 1),
            'time' => $view->time(),
            'probes' => $view->probes(),
            'world' => $this->world,
        ], JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
    }
}
