<?php

declare(strict_types=1);

namespace App\Recorder\Timed;

use App\Recorder\ChannelTrack;
use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\ClerkUnable;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Link\Sample;
use App\Recorder\Neighbours;
use Psr\Log\LoggerInterface;
use React\EventLoop\LoopInterface;

/** The timed runs of one bench, and what is written down of them: when they began, and when they ended. */
final class TimedRuns
{
    private const WRITTEN_AGAIN_S = 0.5;

    /** So long after a run has ended the last samples of its other channels may come. */
    private const STRAGGLERS_S = 0.2;

    /** @var array<int, TimedRun> by id */
    private array $runs = [];

    /** @var array<int, int> how much of a run is being written down: what MariaDB tells of it is older */
    private array $writing = [];

    /** @var array<int, array{string, float}> runs that have ended: by what, and when by the clock on the wall */
    private array $ending = [];

    /**
     * @param  \Closure(): void  $onChange  a run began, ended or is over: other rates, another picture
     * @param  \Closure(): void  $onWritten  what MariaDB tells of the runs is as new as what is known here, and may be more: somebody may have ended one
     */
    public function __construct(
        private readonly int $benchId,
        private readonly Neighbours $neighbours,
        private readonly Clerk $clerk,
        private readonly SampleKeeper $keeper,
        private readonly LoopInterface $loop,
        private readonly LoggerInterface $log,
        private readonly \Closure $onChange,
        private readonly \Closure $onWritten,
    ) {
    }

    /** @param  list<ToldRun>  $told  as they are written down */
    public function record(array $told): void
    {
        $runs = [];
        foreach ($told as $run) {
            $known = $this->runs[$run->runId] ?? null;
            if ($known === null) {
                $known = new TimedRun($run);
            } elseif (($this->writing[$run->runId] ?? 0) === 0) {
                $known->become($run);
            }
            $runs[$run->runId] = $known;
        }
        foreach (array_diff_key($this->runs, $runs) as $id => $gone) {
            // Asked before it was written down that it began or ended.
            if (($this->writing[$id] ?? 0) > 0) {
                $runs[$id] = $gone;
            }
        }
        $this->runs = $runs;
    }

    /**
     * @param  list<Sample>  $samples  new ones of a probe, in order
     * @return array<int, list<Sample>> what is to be kept, by run channel
     */
    public function take(int $probeId, ChannelTrack $track, array $samples): array
    {
        $kept = [];
        foreach ($this->runs as $run) {
            if (! $run->listensTo($probeId)) {
                continue;
            }
            $wasWaiting = $run->zero() === null;
            $kept += $run->take($probeId, $samples);
            $wasWaiting && $this->noteBeginning($run);
            $now = microtime(true);
            $isAtRest = $run->waitsForRestOf($probeId) && $track->steadiness($now)->isSteady;
            $by = $run->endsWith($probeId, $samples, $isAtRest, $track->windowS(), $now);
            if ($by !== null) {
                $this->writing[$run->id()] = ($this->writing[$run->id()] ?? 0) + 1;
                $this->ending[$run->id()] = [$by, $now];
                ($this->onChange)();
            }
        }

        return $kept;
    }

    /** A run that waits for that begins now. */
    public function begin(int $runId): bool
    {
        $run = $this->runs[$runId] ?? null;
        $hasBegun = $run?->begin() === true;
        $hasBegun && $this->noteBeginning($run);

        return $hasBegun;
    }

    /** Called now and then, after what has come was handed on: tells which runs have ended, and lets go of those that have lingered long enough. */
    public function tend(float $wallNow): void
    {
        foreach ($this->ending as $id => [$by, $since]) {
            if ($wallNow - $since > self::STRAGGLERS_S) {
                unset($this->ending[$id]);
                // A run that has ended is whole for whoever looks at it.
                $this->keeper->after(function () use ($id, $by): void {
                    isset($this->runs[$id]) && $this->write($id, 'ended', [$id, $this->runs[$id]->endedS(), $by], isCounted: true);
                });
            }
        }
        array_walk($this->runs, $this->follow(...));
        $over = array_filter($this->runs, fn (TimedRun $r): bool => $r->isOver($wallNow) && ($this->writing[$r->id()] ?? 0) === 0);
        if ($over !== []) {
            $this->runs = array_diff_key($this->runs, $over);
            ($this->onChange)();
        }
    }

    /** Clock of this bench when it began a run, in s; null while it waits. */
    public function zeroOf(int $runId): ?float
    {
        return ($this->runs[$runId] ?? null)?->zero();
    }

    public function listensTo(int $probeId): bool
    {
        return array_filter($this->runs, static fn (TimedRun $r): bool => $r->listensTo($probeId)) !== [];
    }

    /** Whether a run begins with a sample of this probe: then what was missed of it comes first. */
    public function areLedBy(int $probeId): bool
    {
        return array_filter($this->runs, static fn (TimedRun $r): bool => $r->isLedBy($probeId)) !== [];
    }

    /** @return list<float> rows a second that are wanted of a probe */
    public function rates(int $probeId): array
    {
        return array_values(array_map(static fn (TimedRun $r): float => $r->rate(), array_filter($this->runs, static fn (TimedRun $r): bool => $r->listensTo($probeId))));
    }

    /** @return list<int> run channels being recorded */
    public function channels(): array
    {
        return array_merge([], ...array_map(static fn (TimedRun $r): array => array_keys($r->channels()), array_values($this->runs)));
    }

    /** @return list<array{runId: int, state: string, zero: float|null, endedS: float|null}> for screens */
    public function shown(): array
    {
        return array_values(array_map(static fn (TimedRun $r): array => [
            'runId' => $r->id(), 'state' => match (true) {
                $r->zero() === null => 'waiting',
                $r->endedS() === null => 'recording',
                default => 'ended',
            }, 'zero' => $r->zero(), 'endedS' => $r->endedS(),
        ], $this->runs));
    }

    private function noteBeginning(TimedRun $run, ?float $error = null): void
    {
        if ($run->zero() !== null) {
            $this->write($run->id(), 'begun', [$run->id(), array_fill_keys(array_keys($run->channels()), $run->zero()), $error]);
        }
    }

    /** A run that another bench has begun begins here, too, at the same moment by the clock of this one. */
    private function follow(TimedRun $run): void
    {
        if ($run->ledBy() === null || $run->zero() !== null) {
            return;
        }
        $from = $run->ledFrom() ?? $this->neighbours->zeroOf($run->ledBy(), $run->id());
        $apart = $from === null ? null : $this->neighbours->apart($run->ledBy(), $this->benchId);
        if ($apart !== null) {
            $run->beginAt($from + $apart->value);
            $this->noteBeginning($run, $apart->uncertainty);
        }
    }

    /** @param  list<mixed>  $with */
    private function write(int $runId, string $what, array $with, bool $isCounted = false): void
    {
        $this->writing[$runId] = ($this->writing[$runId] ?? 0) + ($isCounted ? 0 : 1);
        $this->clerk->ask($what, $with)->then(
            function () use ($runId): void {
                $this->written($runId);
            },
            function (\Throwable $failure) use ($runId, $what, $with): void {
                if ($failure instanceof ClerkUnable && $failure->isAway) {
                    $this->loop->addTimer(self::WRITTEN_AGAIN_S, fn () => $this->write($runId, $what, $with, isCounted: true));

                    return;
                }
                $this->log->error("It could not be written down that run {$runId} has {$what}.", ['reason' => $failure->getMessage()]);
                $this->written($runId);
            },
        );
        $isCounted || ($this->onChange)();
    }

    private function written(int $runId): void
    {
        $this->writing[$runId] = max(0, ($this->writing[$runId] ?? 0) - 1);
        $this->writing[$runId] === 0 && ($this->onWritten)();
        $beside = ($this->runs[$runId] ?? null)?->beside();
        $beside === null || $this->neighbours->reload([$beside]);
    }
}
