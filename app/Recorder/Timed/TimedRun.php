<?php

declare(strict_types=1);

namespace App\Recorder\Timed;

use App\Models\Run;
use App\Recorder\Link\Sample;
use Welkion\Core\Series\EventKind;
use Welkion\Core\Series\EventWatch;

/**
 * One timed run while the recorder has to do with it: it waits and holds what was just before, passes samples on from its
 * beginning, and knows when it ends. After that it lingers: what comes is kept, so that it can go on without a gap.
 */
final class TimedRun
{
    /** Held beyond what is kept from before, because channels do not come at the same moment; in s. */
    private const HELD_MORE_S = 2.0;

    /** At rest before anything has begun to move: it is given so many of the windows rest is judged over. */
    private const REST_WINDOWS = 2.0;

    /** Begun at once, it waits so long with the bench beside: that one has to have heard of it, or its first readings are not held; in s. */
    private const TOGETHER_S = 0.3;

    /** A microsecond: no clock of a device is truer, and a number that is stored must come back the same. */
    private const DECIMALS = 6;

    /** A sample this little before a moment belongs to it, in s: Unix times in doubles are no truer. */
    private const EDGE_S = 2e-6;

    /** @var array<int, list<Sample>> by run channel, while it waits */
    private array $held = [];

    private ?EventWatch $beginning;

    private ?EventWatch $ending;

    /** First moment of the channel it begins with, s. */
    private ?float $heardFrom = null;

    private ?float $zero;

    private ?float $endedS;

    private float $lingersUntil;

    /** Its newest moment, s after it began. */
    private float $reachedS = 0.0;

    public function __construct(private ToldRun $told)
    {
        $this->beginning = $told->plan->begin?->watch();
        $this->ending = $told->plan->end?->watch(crosses: false);
        [$this->zero, $this->endedS, $this->lingersUntil] = [$told->zero, $told->endedS, $told->lingersUntil];
    }

    /** It is written down otherwise now: it goes on, or was ended by hand. */
    public function become(ToldRun $told): void
    {
        $this->ending = $told->plan->end?->watch(crosses: false);
        [$this->told, $this->zero, $this->endedS, $this->lingersUntil] = [$told, $told->zero ?? $this->zero, $told->endedS, $told->lingersUntil];
    }

    public function id(): int
    {
        return $this->told->runId;
    }

    /** @return array<int, int> probe by run channel */
    public function channels(): array
    {
        return $this->told->channels;
    }

    /** The bench that begins and ends it; null: this one. */
    public function ledBy(): ?int
    {
        return $this->told->ledBy;
    }

    /** Clock of that bench when it began, s, as far as it is written down. */
    public function ledFrom(): ?float
    {
        return $this->told->ledFrom;
    }

    /** The bench that feeds it, too; null: none. */
    public function beside(): ?int
    {
        return $this->told->beside;
    }

    /** Rows a second it wants. */
    public function rate(): float
    {
        return $this->told->plan->rate;
    }

    public function zero(): ?float
    {
        return $this->zero;
    }

    public function endedS(): ?float
    {
        return $this->endedS;
    }

    public function reachedS(): float
    {
        return $this->reachedS;
    }

    /** Whether it wants nothing any more. */
    public function isOver(float $wallNow): bool
    {
        return $this->endedS !== null && $wallNow > $this->lingersUntil;
    }

    public function listensTo(int $probeId): bool
    {
        return in_array($probeId, $this->told->channels, true);
    }

    /** Whether it begins with a sample of this probe. */
    public function isLedBy(int $probeId): bool
    {
        return $this->told->ledBy === null && ($this->told->begin->probeId ?? array_values($this->told->channels)[0] ?? null) === $probeId;
    }

    public function waitsForRestOf(int $probeId): bool
    {
        return $this->told->plan->end?->kind === EventKind::Steady && $this->told->end?->probeId === $probeId;
    }

    /**
     * What is to be kept of new samples of a probe, and of those held until now.
     *
     * @param  list<Sample>  $samples  in order
     * @return array<int, list<Sample>> by run channel
     */
    public function take(int $probeId, array $samples): array
    {
        $channels = array_keys($this->told->channels, $probeId, true);
        foreach ($channels as $channel) {
            foreach ($samples as $sample) {
                $this->held[$channel][] = $sample;
            }
        }
        if ($this->zero === null && $this->isLedBy($probeId)) {
            $this->lookForBeginning($samples);
        }
        if ($this->zero === null) {
            array_walk($channels, $this->forgetOld(...));
        }

        return $this->zero === null ? [] : $this->release($this->zero);
    }

    /**
     * It begins now, because somebody says so.
     *
     * @return bool whether it waited for that
     */
    public function begin(): bool
    {
        $newest = array_filter(array_map(static fn (array $held): ?float => array_last($held)?->time, $this->held), is_float(...));
        if ($this->zero !== null || $newest === [] || $this->told->ledBy !== null) {
            return false;
        }
        $this->zero = max($newest);

        return true;
    }

    /** It began then, as the bench says that leads it: what is held of it follows with the next samples. */
    public function beginAt(float $zero): void
    {
        $this->zero = round($zero, self::DECIMALS);
    }

    /**
     * Whether it ends with these samples; asked once for those it took.
     *
     * @param  list<Sample>  $samples  in order
     * @param  bool  $isAtRest  whether it waits for rest of their probe, and that has come
     * @return 'length'|'event'|null by what
     */
    public function endsWith(int $probeId, array $samples, bool $isAtRest, float $restWindowS, float $wallNow): ?string
    {
        if ($this->zero === null || $this->endedS !== null || $this->told->ledBy !== null || ! $this->listensTo($probeId)) {
            return null;
        }
        $by = $this->endIn($probeId, $samples, $isAtRest ? self::REST_WINDOWS * $restWindowS : INF);
        $this->lingersUntil = $by === null ? $this->lingersUntil : $wallNow + Run::LINGERS_S;

        return $by;
    }

    /**
     * @param  list<Sample>  $samples
     * @param  float  $restS  since when rest ends it, s after it began
     * @return 'length'|'event'|null
     */
    private function endIn(int $probeId, array $samples, float $restS): ?string
    {
        $length = $this->told->plan->length ?? INF;
        $end = $this->told->end?->probeId === $probeId ? $this->told->end : null;
        foreach ($samples as $sample) {
            $at = $sample->time - (float) $this->zero;
            $this->reachedS = max($this->reachedS, $at);
            if ($at >= $length - self::EDGE_S) {
                $this->endedS = $length;

                return Run::BY_LENGTH;
            }
            if ($end !== null && $at > 0.0 && $this->ending?->sees($sample->time, $end->value($sample->value)) === true) {
                $this->endedS = round($at, self::DECIMALS);

                return Run::BY_EVENT;
            }
        }
        if ($this->reachedS > $restS) {
            $this->endedS = round($this->reachedS, self::DECIMALS);

            return Run::BY_EVENT;
        }

        return null;
    }

    /** Old ones go in batches, so that holding stays cheap at any rate. */
    private function forgetOld(int $channel): void
    {
        $held = $this->held[$channel] ?? [];
        $keptS = $this->told->plan->before + self::HELD_MORE_S;
        $newest = array_last($held)->time ?? -INF;
        if ($newest - ($held[0]->time ?? INF) > 2.0 * $keptS) {
            $this->held[$channel] = array_values(array_filter($held, static fn (Sample $s): bool => $s->time >= $newest - $keptS));
        }
    }

    /** @param  list<Sample>  $samples */
    private function lookForBeginning(array $samples): void
    {
        $begin = $this->told->begin;
        $this->heardFrom ??= ($samples[0] ?? null)?->time;
        $together = $this->told->beside !== null && $this->told->plan->begin === null ? (float) $this->heardFrom + self::TOGETHER_S : -INF;
        foreach ($samples as $sample) {
            $isWaiting = $sample->time >= max($this->told->armedAt ?? -INF, $together) - self::EDGE_S;
            if ($isWaiting && ($this->told->plan->begin === null || ($begin !== null && $this->beginning?->sees($sample->time, $begin->value($sample->value)) === true))) {
                $this->zero = $sample->time;

                return;
            }
        }
    }

    /** @return array<int, list<Sample>> by run channel */
    private function release(float $zero): array
    {
        $from = $zero - $this->told->plan->before - 0.5 * $this->told->plan->interval() - self::EDGE_S;
        $released = array_map(static fn (array $held): array => array_values(array_filter($held, static fn (Sample $s): bool => $s->time >= $from)), $this->held);
        $this->held = [];

        return array_filter($released, static fn (array $of): bool => $of !== []);
    }
}
