<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Probe;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Psr\Log\LoggerInterface;
use React\EventLoop\LoopInterface;

/** Records one bench: keeps its channels, feeds its open runs, shows its live values. */
final class BenchRecorder
{
    /** A reduced rate must not be a whole part of the mains frequency, or hum would look like rest. */
    private const OFF_MAINS = 0.93;

    /** While MariaDB is away, what is plugged in is written down as soon as it is back. */
    private const NOTE_AGAIN_S = 1.0;

    /** A bench that runs faster than the clock is read less often a second of its own, but never less than this. */
    private const SLOWEST_HZ = 4.0;

    private readonly BenchLink $link;

    private readonly RunFeed $runs;

    private readonly LiveFeed $live;

    /** @var array<int, ChannelTrack> by probe id */
    private array $tracks = [];

    /** @var array<string, Probe> those plugged in, by channel name */
    private array $probes = [];

    /** @param  \Closure(list<int>): void  $onCarriedAway  benches from which probes were carried here */
    public function __construct(
        public readonly Bench $bench,
        private readonly LoopInterface $loop,
        BlockStore $store,
        LivePublisher $publisher,
        private readonly \Closure $onCarriedAway,
        private readonly LoggerInterface $log,
    ) {
        $this->link = new BenchLink(
            $loop,
            "{$bench->host}:{$bench->port}",
            $bench->link_name,
            $this->plugged(...),
            $this->take(...),
            $this->resumed(...),
            $this->lost(...),
        );
        $this->runs = new RunFeed($store, $this->link);
        $this->live = new LiveFeed($bench, $loop, $publisher, $this->link);
        $this->link->open();
    }

    public function close(): void
    {
        $this->flush();
        $this->link->close();
    }

    public function isConnected(): bool
    {
        return $this->live->isConnected();
    }

    /**
     * Reads probes, calibrations and open runs again, after something of them changed.
     *
     * @throws QueryException|\PDOException If MariaDB is away; then everything goes on as it was.
     * @throws ModelNotFoundException If the bench was removed.
     */
    public function reload(): void
    {
        $this->bench->refresh();
        $all = [];
        $present = [];
        $tracks = [];
        foreach ($this->bench->probes()->with('calibration', 'lastZero')->get() as $probe) {
            $probe->setRelation('bench', $this->bench);
            $all[$probe->id] = $probe;
            if ($probe->is_present) {
                $present[$probe->channel] = $probe;
            }
            $tracks[$probe->id] = $this->tracks[$probe->id] ?? new ChannelTrack($probe->steadyLimits());
        }
        $this->runs->findRuns($this->bench, $present, $tracks);
        foreach ($all as $probe) {
            $tracks[$probe->id]->judgeBy($probe->steadyLimits());
        }
        [$this->probes, $this->tracks] = [$present, $tracks];
        $this->live->show($all, $tracks);
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
        $this->live->publish();
    }

    /**
     * @param  array<string, mixed>  $details
     * @param  \Closure(array<array-key, mixed>): void  $then
     */
    public function act(array $details, \Closure $then): void
    {
        $this->link->ask(['do' => 'act'] + $details, function (array $answer) use ($details, $then): void {
            if (is_array($answer['world'] ?? null)) {
                $this->live->see($answer['world']);
                if (($details['act'] ?? null) === 'speed') {
                    $this->streamAll();
                    $this->live->publish();
                } else {
                    $this->restartWindows();
                }
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
        try {
            $this->note($told, $isGreeting);
        } catch (ModelNotFoundException) {
            // The bench was removed a moment ago.
            $this->link->close();
        } catch (QueryException|\PDOException $failure) {
            $this->log->warning('MariaDB is away; what is plugged in is written down when it is back.', ['reason' => $failure->getMessage()]);
            $this->loop->addTimer(self::NOTE_AGAIN_S, fn () => $this->plugged($told, $isGreeting));
        }
    }

    /** @param  array<array-key, mixed>  $told */
    private function note(array $told, bool $isGreeting): void
    {
        $this->live->see($told['world'] ?? null);
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

    private function lost(): void
    {
        $this->live->publish();
    }

    private function streamAll(): void
    {
        $speed = $this->live->speed();
        foreach ($this->probes as $probe) {
            $rate = max(self::SLOWEST_HZ, $speed === 1 ? $probe->kind->liveHz() : self::OFF_MAINS * $probe->kind->liveHz() / $speed);
            $this->link->say(['do' => 'stream', 'channel' => $probe->channel, 'rate' => min($probe->fastest_hz, $rate)]);
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
            $this->live->publishSoon($pack->madeAt);
        }
    }
}
