<?php

declare(strict_types=1);

namespace App\Recorder;

use Welkion\Core\Series\Steadiness;
use Welkion\Core\Series\SteadyLimits;

/** The last minute of one channel, and whether it has come to rest. Times are seconds of the bench's clock. */
final class ChannelTrack
{
    private const KEPT_S = 45.0;

    /** @var list<float> */
    private array $times = [];

    /** @var list<float> */
    private array $values = [];

    private float $windowFrom = -INF;

    private ?float $steadySince = null;

    private int $lastSeq = 0;

    public function __construct(private readonly SteadyLimits $limits)
    {
    }

    public function lastSeq(): int
    {
        return $this->lastSeq;
    }

    /** Readings up to this number are on disk already: what comes again is passed over. */
    public function continueAfter(int $seq): void
    {
        $this->lastSeq = max($this->lastSeq, $seq);
    }

    /**
     * Takes the samples that are new.
     *
     * @param  list<Sample>  $samples
     * @return list<Sample> those not seen before, in order
     */
    public function take(array $samples): array
    {
        $new = [];
        foreach ($samples as $sample) {
            if ($sample->seq > $this->lastSeq) {
                $this->lastSeq = $sample->seq;
                $this->times[] = $sample->time;
                $this->values[] = $sample->value;
                $new[] = $sample;
            }
        }
        $this->forgetOld();

        return $new;
    }

    /** Hands have changed something: only what comes from now on says whether it is steady. */
    public function restartWindow(): void
    {
        $this->windowFrom = $this->latestTime() ?? -INF;
        $this->steadySince = null;
    }

    public function latestTime(): ?float
    {
        return array_last($this->times);
    }

    public function latest(): ?float
    {
        return array_last($this->values);
    }

    public function steadiness(): Steadiness
    {
        [$times, $values] = $this->sinceChange();
        $steadiness = Steadiness::of($times, $values, $this->limits, $this->steadySince !== null);
        $this->steadySince = $steadiness->isSteady ? $this->steadySince ?? array_last($times) : null;

        return $steadiness;
    }

    /** How long it has been steady, in s; 0 while it settles. */
    public function steadyFor(): float
    {
        return $this->steadySince === null ? 0.0 : ($this->latestTime() ?? 0.0) - $this->steadySince + $this->limits->windowS;
    }

    /** @return list<float> the values a reading taken now is the mean of */
    public function window(): array
    {
        [$times, $values] = $this->sinceChange();
        $from = ($this->latestTime() ?? 0.0) - $this->limits->windowS;
        $first = count($times);
        while ($first > 0 && $times[$first - 1] > $from) {
            $first--;
        }

        return array_slice($values, $first);
    }

    /** @return array{list<float>, list<float>} times and values since hands last changed something */
    private function sinceChange(): array
    {
        $first = count($this->times);
        while ($first > 0 && $this->times[$first - 1] > $this->windowFrom) {
            $first--;
        }

        return [array_slice($this->times, $first), array_slice($this->values, $first)];
    }

    private function forgetOld(): void
    {
        $latest = $this->latestTime();
        if ($latest === null || $latest - $this->times[0] < 2 * self::KEPT_S) {
            return;
        }
        $first = 0;
        while ($this->times[$first] < $latest - self::KEPT_S) {
            $first++;
        }
        $this->times = array_slice($this->times, $first);
        $this->values = array_slice($this->values, $first);
    }
}
