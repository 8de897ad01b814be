<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Recorder\Link\DeviceFault;
use App\Recorder\Link\Sample;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Series\Steadiness;
use Welkion\Core\Series\SteadyLimits;

/**
 * The last minute of one channel, and whether it has come to rest. Times are seconds of the bench's clock.
 *
 * All samples of the averaging window are kept; of the longer past, which only rest is judged by, about 20 a second:
 * so judging costs the same at 500 Hz as at 20 Hz.
 */
final class ChannelTrack
{
    /** Averaging windows may be as long as this; the past holds two of them and more. */
    public const LONGEST_WINDOW_S = 20;

    private const KEPT_S = 45.0;

    /** Shortest time between two samples of the past; no multiple of mains periods, so that hum shows as scatter. */
    private const THINNED_S = 0.047;

    /** A judgement holds for so long, wall clock: nobody reads faster. */
    private const JUDGED_EACH_S = 0.2;

    private const MOST_RECENT = 64;

    /** A clock that is put right goes back by more than this; less is a reading that came a little late. */
    private const STEP_BACK_S = 1.0;

    /** A gap in the numbers larger than a device keeps (two minutes at a million a second) is a new beginning, no loss. */
    private const LARGEST_GAP = 120_000_000;

    /** So many readings with old numbers and new times are no repetition: the device has begun to count anew. */
    private const COUNTED_ANEW = 20;

    private SampleTail $past;

    private SampleTail $window;

    /** @var list<float> values since the last look, for a trace that shows every beat */
    private array $recent = [];

    private float $windowFrom = -INF;

    private ?float $steadySince = null;

    private ?Steadiness $judged = null;

    private float $judgedAt = -INF;

    private int $lastSeq = 0;

    private int $receivedCount = 0;

    private int $missedCount = 0;

    private int $repeatedCount = 0;

    private float $steppedBackS = 0.0;

    public function __construct(private SteadyLimits $limits)
    {
        $this->forgetPast();
    }

    /** Other limits of rest, as set for its bench. */
    public function judgeBy(SteadyLimits $limits): void
    {
        $this->limits = $limits;
        $this->judged = null;
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

    /** @return array{received: int, missed: int} samples since this recorder began, and numbers that never came */
    public function counts(): array
    {
        return ['received' => $this->receivedCount, 'missed' => $this->missedCount];
    }

    /** The channel begins again, with its plug in: numbers that were never given are not missing. */
    public function beginAgain(): void
    {
        $this->lastSeq = 0;
        $this->restartWindow();
    }

    /**
     * Takes the samples that are new.
     *
     * @param  list<Sample>  $samples
     * @return list<Sample> those not seen before, in order
     *
     * @throws DeviceFault If the device has begun to number its readings anew, below what it had reached.
     */
    public function take(array $samples): array
    {
        $new = [];
        foreach ($samples as $sample) {
            if ($sample->seq <= $this->lastSeq) {
                $this->passOver($sample);

                continue;
            }
            $gap = $this->lastSeq === 0 ? 0 : $sample->seq - $this->lastSeq - 1;
            $this->missedCount += $gap > self::LARGEST_GAP ? 0 : $gap;
            $this->lastSeq = $sample->seq;
            $this->repeatedCount = 0;
            $this->add($sample);
            $this->recent[] = $sample->value;
            $new[] = $sample;
        }
        $this->receivedCount += count($new);
        if (count($this->recent) > self::MOST_RECENT) {
            $this->recent = array_slice($this->recent, -self::MOST_RECENT);
        }

        return $new;
    }

    /** How far the clock of the bench went back since this was asked last, in s; 0 if it did not. */
    public function takeStepBack(): float
    {
        $step = $this->steppedBackS;
        $this->steppedBackS = 0.0;

        return $step;
    }

    /** Hands have changed something: only what comes from now on says whether it is steady. */
    public function restartWindow(): void
    {
        $this->windowFrom = $this->latestTime() ?? -INF;
        $this->steadySince = null;
        $this->judged = null;
    }

    public function latestTime(): ?float
    {
        return $this->window->latestTime();
    }

    public function latest(): ?float
    {
        return $this->window->latestValue();
    }

    /** @return list<float> values that came since this was asked last */
    public function takeRecent(): array
    {
        $recent = $this->recent;
        $this->recent = [];

        return $recent;
    }

    /** As judged a moment ago: for screens. */
    public function steadiness(float $wallNow = INF): Steadiness
    {
        if ($this->judged === null || $wallNow - $this->judgedAt >= self::JUDGED_EACH_S) {
            [$times, $values] = $this->past->since($this->windowFrom);
            $this->judged = Steadiness::of($times, $values, $this->limits, $this->steadySince !== null);
            $this->judgedAt = is_finite($wallNow) ? $wallNow : -INF;
            $this->steadySince = $this->judged->isSteady ? $this->steadySince ?? $this->latestTime() : null;
        }

        return $this->judged;
    }

    /**
     * What a reading taken now is: mean of the window, scatter about its line, and the values themselves.
     *
     * @return array<string, mixed>|null null before there is any
     */
    public function reading(): ?array
    {
        $steadiness = $this->steadiness();
        [$times, $values] = $this->window->since(max($this->windowFrom, ($this->latestTime() ?? 0.0) - $this->limits->windowS));
        if ($values === []) {
            return null;
        }
        $hasLine = count($values) > 2 && $times[count($times) - 1] > $times[0];

        return [
            'mean' => array_sum($values) / count($values), 'scatter' => $hasLine ? StraightLine::through($times, $values)->scatter : 0.0,
            'count' => count($values), 'isSteady' => $steadiness->isSteady, 'isWindowFull' => $steadiness->isWindowFull,
            'driftPerMinute' => $steadiness->driftPerMinute, 'samples' => $values, 'time' => $this->latestTime(),
        ];
    }

    /** Over so many s rest is judged. */
    public function windowS(): float
    {
        return $this->limits->windowS;
    }

    /** How long it has been steady, in s; 0 while it settles. */
    public function steadyFor(): float
    {
        return $this->steadySince === null ? 0.0 : ($this->latestTime() ?? 0.0) - $this->steadySince + $this->limits->windowS;
    }

    private function add(Sample $sample): void
    {
        $back = ($this->latestTime() ?? -INF) - $sample->time;
        if ($back > self::STEP_BACK_S) {
            // What came before lies in the future of this clock: the readings go on as a segment of their own.
            $this->steppedBackS = $back;
            $this->forgetPast();
            $this->windowFrom = -INF;
            $this->steadySince = null;
            $this->judged = null;
        }
        $time = max($sample->time, $this->latestTime() ?? -INF);
        $this->window->add($time, $sample->value);
        if ($time - ($this->past->latestTime() ?? -INF) >= self::THINNED_S) {
            $this->past->add($time, $sample->value);
        }
    }

    private function forgetPast(): void
    {
        $this->past = new SampleTail(self::KEPT_S);
        $this->window = new SampleTail(self::LONGEST_WINDOW_S);
    }

    /** What was missed comes again together with what streamed in meanwhile; but then its time is old, too. */
    private function passOver(Sample $sample): void
    {
        $this->repeatedCount = $sample->time > ($this->latestTime() ?? INF) ? $this->repeatedCount + 1 : 0;
        if ($this->repeatedCount >= self::COUNTED_ANEW) {
            throw DeviceFault::because("numbers its readings from {$sample->seq} again, though it had reached {$this->lastSeq}; "
                .'after a restart a device must begin higher than ever before');
        }
    }
}
