<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Probe;
use React\EventLoop\LoopInterface;
use React\EventLoop\TimerInterface;

/** Records one bench: keeps its channels, feeds its open runs, shows its live values. */
final class BenchRecorder
{
    /** At most 20 live messages a second. */
    private const PUBLISH_EACH_S = 0.05;

    /** A reduced rate must not be a whole part of the mains frequency, or hum would look like rest. */
    private const OFF_MAINS = 0.93;

    /** What an onlooker sees of a simulated bench goes along when it changes, and each so often for who comes later. */
    private const WORLD_EACH_S = 1.0;

    /** A bench that runs faster than the clock is read less often a second of its own, but never less than this. */
    private const SLOWEST_HZ = 4.0;

    private readonly BenchLink $link;

    private readonly RunFeed $runs;

    /** @var array<int, ChannelTrack> by probe id */
    private array $tracks = [];

    /** @var array<string, Probe> those plugged in, by channel name */
    private array $probes = [];

    private ?LiveView $view = null;

    /** @var array<array-key, mixed>|null */
    private ?array $world = null;

    private ?float $madeAt = null;

    private float $publishedAt = 0.0;

    private float $worldPublishedAt = 0.0;

    private ?TimerInterface $publishTimer = null;

    /** @param  \Closure(list<int>): void  $onCarriedAway  benches from which probes were carried here */
    public function __construct(
        public readonly Bench $bench,
        private readonly LoopInterface $loop,
        BlockStore $store,
        private readonly LivePublisher $publisher,
        private readonly \Closure $onCarriedAway,
    ) {
        $this->link = new BenchLink(
            $loop,
            "{$bench->host}:{$bench->port}",
            $bench->link_name,
            $this->plugged(...),
            $this->take(...),
            $this->resumed(...),
            $this->publish(...),
        );
        $this->runs = new RunFeed($store, $this->link);
        $this->link->open();
    }

    public function close(): void
    {
        $this->flush();
        $this->link->close();
    }

    public function isConnected(): bool
    {
        return $this->link->isConnected() && $this->view !== null;
    }

    /** Reads probes, calibrations and open runs again, after something of them changed. */
    public function reload(): void
    {
        $this->bench->refresh();
        $all = [];
        $this->probes = [];
        foreach ($this->bench->probes()->with('calibration', 'lastZero')->get() as $probe) {
            $probe->setRelation('bench', $this->bench);
            $all[$probe->id] = $probe;
            if ($probe->is_present) {
                $this->probes[$probe->channel] = $probe;
            }
            $this->tracks[$probe->id] ??= new ChannelTrack($probe->steadyLimits());
            $this->tracks[$probe->id]->judgeBy($probe->steadyLimits());
        }
        $this->tracks = array_intersect_key($this->tracks, $all);
        $this->view = new LiveView($all, $this->tracks);
        $this->runs->findRuns($this->bench, $this->probes, $this->tracks);
        $this->publish();
    }

    /** Writes what has come since the last time. */
    public function flush(): void
    {
        $this->runs->flush();
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
            $reading = $this->tracks[$probe->id]->reading();
            if ($reading !== null) {
                $probes[$probe->id] = $reading;
            }
        }

        return ['probes' => $probes];
    }

    /** @return array{received: int, missed: int} samples of all channels since this recorder began */
    public function counts(): array
    {
        $counts = array_map(static fn (ChannelTrack $t): array => $t->counts(), array_values($this->tracks));

        return ['received' => array_sum(array_column($counts, 'received')), 'missed' => array_sum(array_column($counts, 'missed'))];
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
                $this->worldPublishedAt = 0.0;
                if (($details['act'] ?? null) === 'speed') {
                    $this->streamAll();
                } else {
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

    /** @param  array<array-key, mixed>  $told */
    private function plugged(array $told, bool $isGreeting): void
    {
        $this->world = is_array($told['world'] ?? null) ? $told['world'] : null;
        $this->worldPublishedAt = 0.0;
        $before = array_map(static fn (Probe $p): int => $p->id, $this->probes);
        $left = ProbeRegister::note($this->bench, is_array($told['channels'] ?? null) ? $told['channels'] : []);
        $this->reload();
        foreach ($this->probes as $probe) {
            if ($isGreeting && $this->runs->isRecording($probe)) {
                // What a run has missed comes first; the stream goes on from there.
                $this->runs->askForMissed($probe, $this->tracks[$probe->id]);
            } elseif ($isGreeting || ! in_array($probe->id, $before, true)) {
                $this->tracks[$probe->id]->beginAgain();
            }
        }
        $this->streamAll();
        if ($left !== []) {
            ($this->onCarriedAway)($left);
        }
    }

    private function streamAll(): void
    {
        $speed = is_int($this->world['speed'] ?? null) ? max(1, $this->world['speed']) : 1;
        foreach ($this->probes as $probe) {
            $rate = max(self::SLOWEST_HZ, $speed === 1 ? $probe->kind->liveHz() : self::OFF_MAINS * $probe->kind->liveHz() / $speed);
            $this->link->say(['do' => 'stream', 'channel' => $probe->channel, 'rate' => min($probe->fastest_hz, $rate)]);
        }
    }

    /** What an onlooker sees changes by itself too: gas cools, a burette stands. */
    private function look(): void
    {
        if ($this->bench->is_simulated && $this->link->isConnected()) {
            $this->link->ask(['do' => 'tell'], function (array $answer): void {
                $this->world = is_array($answer['world'] ?? null) ? $answer['world'] : $this->world;
            });
        }
    }

    private function resumed(string $channel): void
    {
        $probe = $this->probes[$channel] ?? null;
        if ($probe === null) {
            return;
        }
        $this->runs->answered($probe);
    }

    private function take(Pack $pack): void
    {
        $probe = $this->probes[$pack->channel] ?? null;
        if ($probe === null) {
            return;
        }
        if ($this->runs->take($probe, $this->tracks[$probe->id], $pack)) {
            $this->madeAt = $pack->madeAt;
            $this->publishSoon();
        }
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
        $world = [];
        if ($this->publishedAt - $this->worldPublishedAt >= self::WORLD_EACH_S) {
            $this->worldPublishedAt = $this->publishedAt;
            $world = ['world' => $this->world];
            $this->look();
        }
        $this->publisher->publish("bench-{$this->bench->id}", json_encode([
            'benchId' => $this->bench->id,
            'isConnected' => $this->isConnected(),
            'madeAtMs' => $this->madeAt === null ? null : round($this->madeAt * 1000, 1),
            'time' => $this->view?->time(),
            'revision' => $this->view->revision ?? '',
            'probes' => $this->view?->probes($this->publishedAt) ?? [],
        ] + $world, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
    }
}
