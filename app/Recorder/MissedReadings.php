<?php

declare(strict_types=1);

namespace App\Recorder;

/**
 * Which probes' missed readings were asked for. What streams in before the device says how many there are comes again with them,
 * and must not count as the newest before.
 */
final class MissedReadings
{
    /** A device that streams on for so long and does not say what was missed, though it was asked, has nothing to say; in s. */
    private const ANSWER_WITHIN_S = 5.0;

    /** @var array<int, float|null> when the first pack came that was held back since, in s; null before, by probe id */
    private array $unanswered = [];

    /** @var array<int, true> the device has said how many there are, and they come next, by probe id */
    private array $coming = [];

    public function ask(int $probeId): void
    {
        $this->unanswered[$probeId] = null;
    }

    public function answered(int $probeId): void
    {
        unset($this->unanswered[$probeId]);
        $this->coming[$probeId] = true;
    }

    /** Whether they are asked for, and not yet here. */
    public function areAwaited(int $probeId): bool
    {
        return array_key_exists($probeId, $this->unanswered) || isset($this->coming[$probeId]);
    }

    /**
     * Whether a pack that has come is not to be taken, as it overtakes them; else they are awaited no longer. Time counts from
     * the first such pack: while the recorder was busy with something else, the answer may have been behind it all the time.
     *
     * @param  float  $now  any clock, in s
     */
    public function holdBack(int $probeId, float $now): bool
    {
        if (array_key_exists($probeId, $this->unanswered)) {
            $this->unanswered[$probeId] ??= $now;
            if ($now - $this->unanswered[$probeId] < self::ANSWER_WITHIN_S) {
                return true;
            }
        }
        unset($this->unanswered[$probeId], $this->coming[$probeId]);

        return false;
    }
}
