<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Models\Probe;
use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\ClerkUnable;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Link\BenchLink;
use App\Recorder\Link\DeviceFault;
use App\Recorder\Link\LinkEars;
use App\Recorder\Link\Pack;
use App\Recorder\Link\ToldChannel;
use App\Recorder\Live\BenchNotes;
use App\Recorder\Live\LiveFeed;
use App\Recorder\Live\LivePublisher;
use App\Recorder\Timed\TimedRuns;
use Psr\Log\LoggerInterface;
use React\EventLoop\LoopInterface;
use React\Promise\PromiseInterface;
use Welkion\Core\Series\ArrivalClock;
use Welkion\Core\Uncertainty\Measured;

/**
 * Records one bench: keeps its channels, feeds its open runs, shows its live values.
 *
 * Whatever goes wrong here stays here: it is told on the screens of this bench, and the other benches go on.
 */
final class BenchRecorder implements LinkEars
{
    /** A reduced rate must not be a whole part of the mains frequency, or hum would look like rest. */
    private const OFF_MAINS = 0.93;

    /** While MariaDB is away, what is plugged in is written down as soon as it is back. */
    private const NOTE_AGAIN_S = 1.0;

    /** So long after hands have moved, a reading waits for the first value that comes: it is on its way. */
    private const FIRST_VALUE_WITHIN_S = 2.0;

    private const LOOK_AGAIN_S = 0.02;

    /** A bench that runs faster than the clock is read less often a second of its own, but never less than this. */
    private const SLOWEST_HZ = 4.0;

    private readonly BenchLink $link;

    private readonly RunFeed $runs;

    private readonly TimedRuns $timed;

    private readonly LiveFeed $live;

    private readonly BenchNotes $notes;

    private readonly BenchChannels $channels;

    private readonly Silence $silence;

    /** @var array<string, float> Hz each channel was asked for */
    private array $streamed = [];

    /** Whether this process has begun to ask for what was missed before it: what comes earlier must not count as the newest. */
    private bool $hasGoneOn = false;

    /** Counts what was told of plugs, so that an answer about an earlier state is not taken for the newest. */
    private int $toldCount = 0;

    /** When steadiness began to be judged afresh, wall clock. */
    private float $restartedAt = 0.0;

    private readonly ArrivalClock $clock;

    public function __construct(
        public Bench $bench,
        private readonly LoopInterface $loop,
        private readonly Clerk $clerk,
        SampleKeeper $keeper,
        LivePublisher $publisher,
        private readonly Neighbours $neighbours,
        private readonly LoggerInterface $log,
    ) {
        $this->channels = new BenchChannels;
        $this->silence = new Silence;
        $this->clock = new ArrivalClock;
        $this->link = new BenchLink($loop, $bench->address(), $bench->link_name, $this);
        $this->timed = new TimedRuns($bench->id, $neighbours, $clerk, $keeper, $loop, $log, $this->timedRunChanged(...), $this->timedRunWritten(...));
        $this->runs = new RunFeed($keeper, $this->link, $this->timed);
        $this->notes = new BenchNotes($keeper, $this->link, $this->runs);
        $this->live = new LiveFeed($bench, $loop, $publisher, $this->link, $this->notes, $this->timed, $this->silence);
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
     * @return PromiseInterface<void> rejected if it could not be; then everything goes on as it was
     */
    public function reload(): PromiseInterface
    {
        return $this->clerk->ask('state', [$this->bench->id])->then(function (mixed $state): void {
            if ($state instanceof BenchState) {
                $this->guarded(fn () => $this->goOnWith($state));
            }
        });
    }

    /** Hands on what has come since the last time, and shows how it stands. */
    public function flush(): void
    {
        $this->guarded(function (): void {
            $this->runs->flush();
            $this->timed->tend($now = microtime(true));
            $silentSince = $this->isConnected() ? $this->silence->look($this->channels->presentIds(), $now) : null;
            $silentSince === null || $this->link->callAgain($silentSince);
            $this->live->tellNotes();
        });
    }

    /**
     * Every channel's mean, scatter and steadiness over its window, for a reading taken now.
     *
     * @param  \Closure(array<array-key, mixed>): void  $then
     */
    public function snapshot(\Closure $then): void
    {
        if (! $this->isConnected()) {
            $then(['problem' => $this->notes->whyNothing(microtime(true)) ?? 'The bench is not connected. Check that it is switched on.']);

            return;
        }
        $now = microtime(true);
        $readings = array_filter($this->channels->readings(), fn (int $id): bool => ! $this->silence->isOf($id, $now), ARRAY_FILTER_USE_KEY);
        if (count($readings) < count($this->channels->present()) && $now - $this->restartedAt < self::FIRST_VALUE_WITHIN_S) {
            $this->loop->addTimer(self::LOOK_AGAIN_S, fn () => $this->guarded(fn () => $this->snapshot($then)));

            return;
        }
        $then(['probes' => $readings]);
    }

    /** A timed run that waits for that begins now. */
    public function begin(int $runId): bool
    {
        return $this->timed->begin($runId);
    }

    /** The newest moment any channel has seen, in s of the clock of the bench; null before there is any. */
    public function moment(): ?float
    {
        return $this->channels->newestTime();
    }

    /** How far the clock on the wall is ahead of that of this bench, in s; null while it cannot be told. */
    public function wallAhead(): ?Measured
    {
        return $this->isConnected() ? $this->clock->behind() : null;
    }

    /** Clock of this bench when it began a timed run, in s; null while the run waits. */
    public function zeroOf(int $runId): ?float
    {
        return $this->timed->zeroOf($runId);
    }

    /** @return array{received: int, missed: int} samples of all channels since this recorder began */
    public function counts(): array
    {
        return $this->channels->counts();
    }

    /** Why its device was set aside; null if it is in order. */
    public function whyAside(): ?string
    {
        return $this->notes->whyAside();
    }

    /** A reading was taken, or hands did something: judge steadiness afresh. */
    public function restartWindows(): void
    {
        $this->channels->restartWindows();
        $this->restartedAt = microtime(true);
        $this->live->publish();
    }

    /**
     * @param  array<string, mixed>  $details
     * @param  \Closure(array<array-key, mixed>): void  $then
     */
    public function act(array $details, \Closure $then): void
    {
        // What to do and the number of the question are ours to say.
        $this->link->ask(['do' => 'act'] + array_diff_key($details, ['do' => true, 'id' => true]), function (array $answer) use ($details, $then): void {
            if (is_array($answer['world'] ?? null)) {
                $this->live->see($answer['world']);
                match ($details['act'] ?? null) {
                    'speed' => $this->goAtAnotherSpeed(),
                    // Time passes, and nothing else: what comes to rest meanwhile is at rest.
                    'go-on' => $this->clock->forget(),
                    default => $this->restartWindows(),
                };
            }
            $then($answer);
        });
    }

    private function goAtAnotherSpeed(): void
    {
        $this->clock->forget();
        $this->streamAll(isAnew: true);
        $this->live->publish();
    }

    /** @param  \Closure(array<array-key, mixed>): void  $then */
    public function truth(\Closure $then): void
    {
        $this->link->ask(['do' => 'tell'], $then);
    }

    public function plugged(array $channels, mixed $world, bool $isGreeting): void
    {
        $this->live->see($world);
        if ($isGreeting) {
            foreach ($this->channels->present() as $probe) {
                if (! $this->runs->isRecording($probe)) {
                    $this->channels->track($probe)->beginAgain();
                }
            }
        }
        $this->toldCount++;
        $this->writeDown($channels, $isGreeting, $this->toldCount);
    }

    public function take(Pack $pack): void
    {
        $probe = $this->hasGoneOn ? $this->channels->on($pack->channel) : null;
        if ($probe === null) {
            return;
        }
        $track = $this->channels->track($probe);
        $now = microtime(true);
        $this->silence->heard($probe->id, $now);
        $this->clock->saw($pack->samples[count($pack->samples) - 1]->time, $now);
        if ($this->runs->take($probe, $track, $pack)) {
            $steppedBack = $track->takeStepBack();
            $steppedBack > 0.0 && $this->clock->forget();
            $this->notes->clockSteppedBack($steppedBack, $now);
            $this->live->publishSoon($pack->madeAt);
        }
    }

    public function resumed(string $channel): void
    {
        $probe = $this->channels->on($channel);
        if ($probe !== null) {
            $this->runs->answered($probe);
        }
    }

    public function lost(): void
    {
        $this->silence->begin();
        $this->live->publish();
    }

    public function setAside(string $why): void
    {
        $this->log->warning("The device of bench {$this->bench->id} was set aside: {$why}");
    }

    public function failed(\Throwable $failure): void
    {
        $this->log->error("Something of bench {$this->bench->id} could not be worked with: {$failure->getMessage()}", ['exception' => $failure]);
    }

    /** @param  list<ToldChannel>  $channels */
    private function writeDown(array $channels, bool $isGreeting, int $number): void
    {
        $this->clerk->ask('note', [$this->bench->id, $channels])->then(
            function (mixed $noted) use ($isGreeting, $number): void {
                if ($number === $this->toldCount && is_array($noted) && ($noted['state'] ?? null) instanceof BenchState) {
                    $this->guarded(fn () => $this->goOnPlugged($noted['state'], $isGreeting));
                }
                $left = is_array($noted) && is_array($noted['left'] ?? null) ? array_values(array_filter($noted['left'], is_int(...))) : [];
                if ($left !== []) {
                    $this->neighbours->reload($left);
                }
            },
            function (\Throwable $failure) use ($channels, $isGreeting, $number): void {
                if ($failure instanceof ClerkUnable && $failure->isAway) {
                    $this->loop->addTimer(self::NOTE_AGAIN_S, function () use ($channels, $isGreeting, $number): void {
                        if ($number === $this->toldCount) {
                            $this->writeDown($channels, $isGreeting, $number);
                        }
                    });
                } else {
                    $this->failed($failure);
                    $this->link->setAside('What it told of its channels could not be written down; the log of the recorder says more.');
                }
            },
        );
    }

    private function goOnPlugged(BenchState $state, bool $isGreeting): void
    {
        $before = $this->channels->presentIds();
        $this->hasGoneOn = true;
        $this->goOnWith($state);
        $present = $this->channels->present();
        usort($present, fn (Probe $a, Probe $b): int => $this->timed->areLedBy($b->id) <=> $this->timed->areLedBy($a->id));
        foreach ($present as $probe) {
            if ($isGreeting && $this->runs->isRecording($probe)) {
                // What a run has missed comes first; the stream goes on from there.
                $this->runs->askForMissed($probe, $this->channels->track($probe));
            } elseif (! in_array($probe->id, $before, true)) {
                $this->channels->track($probe)->beginAgain();
            }
        }
        $this->streamAll(isAnew: true);
    }

    private function goOnWith(BenchState $state): void
    {
        $this->bench = $state->bench;
        $this->channels->become($state->bench);
        $this->runs->record($state, $this->channels->presentTracks());
        $this->live->show($this->channels->all(), $this->channels->tracks());
        $this->streamAll();
    }

    private function timedRunWritten(): void
    {
        $this->reload()->catch(fn (\Throwable $failure) => $this->log->warning("Bench {$this->bench->id} could not be read again.", ['reason' => $failure->getMessage()]));
    }

    private function timedRunChanged(): void
    {
        $this->streamAll();
        $this->live->publishSoon(null);
    }

    /** @param  bool  $isAnew  whether the device may have forgotten what it was asked for */
    private function streamAll(bool $isAnew = false): void
    {
        $speed = $this->live->speed();
        $before = $isAnew ? [] : $this->streamed;
        $this->streamed = [];
        foreach ($this->channels->present() as $probe) {
            $live = max(self::SLOWEST_HZ, $speed === 1 ? $probe->kind->liveHz() : self::OFF_MAINS * $probe->kind->liveHz() / $speed);
            $rate = self::rate($live, $this->timed->rates($probe->id), $probe->fastest_hz);
            $this->streamed[$probe->channel] = $rate;
            $this->silence->expect($probe->id, $rate * $speed);
            if (($before[$probe->channel] ?? null) !== $rate) {
                $this->link->say(['do' => 'stream', 'channel' => $probe->channel, 'rate' => $rate]);
            }
        }
    }

    /**
     * Fast enough to be looked at, and a whole multiple of what a run wants, so that each of its rows has its sample.
     *
     * @param  list<float>  $wanted  Hz
     */
    private static function rate(float $live, array $wanted, float $fastest): float
    {
        $rates = array_map(static fn (float $w): float => $w >= $fastest ? $fastest : $w * max(1.0, min(ceil($live / $w - 1e-9), floor($fastest / $w + 1e-9))), $wanted);

        return $rates === [] ? min($fastest, $live) : max($rates);
    }

    /** @param  \Closure(): void  $do */
    private function guarded(\Closure $do): void
    {
        try {
            $do();
        } catch (DeviceFault $fault) {
            $this->link->setAside($fault->getMessage());
        } catch (\Throwable $failure) {
            $this->failed($failure);
            $this->link->setAside('Something that is stored for this bench could not be worked with, and that is a mistake of Welkion; the log of the recorder says more.');
        }
    }
}
