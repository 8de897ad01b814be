<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Warning;

/** What must be said of a plan of a timed run before it is used; it can be used all the same. */
final class TimedPlanCheck
{
    private const LESSON_S = 3000.0;

    /** Rows a channel; a run of so many is slow to work with. */
    private const MANY_ROWS = 1e7;

    /** Of a kept sample, with its summaries. */
    private const BYTES_EACH = 11.0;

    /** The rest is for what else is written meanwhile. */
    private const SHARE_OF_DISK = 0.5;

    /** Rows a second that differ by less than this share are the same. */
    private const SAME = 1e-6;

    /**
     * @param  list<array{title: string, kind: ProbeKind, fastestHz: float}>  $probes  that are recorded
     * @param  float  $freeBytes  of the disk it is kept on
     * @return list<Warning>
     */
    public static function warnings(TimedPlan $plan, array $probes, float $freeBytes = INF): array
    {
        $warnings = [];
        foreach ($probes as ['title' => $title, 'kind' => $kind, 'fastestHz' => $fastest]) {
            $least = $kind->leastHz();
            if ($least !== null && $plan->rate < $least * (1.0 - self::SAME)) {
                $warnings[] = new Warning('too-slow', 'Too slow for the signal.', sprintf('%s: %s a second miss what happens between them. Record at least %s a second.',
                    $title, self::plain($plan->rate).($plan->rate === 1.0 ? ' row' : ' rows'), self::plain($least)));
            }
            if ($plan->rate > $fastest * (1.0 + self::SAME)) {
                $warnings[] = new Warning('too-fast', 'Faster than the probe.', sprintf('%s gives at most %s readings a second, so some rows stay blank in its column. Record %s a second.',
                    $title, self::plain($fastest), self::plain($fastest)));
            }
        }
        if (($plan->length ?? 0.0) > self::LESSON_S) {
            $warnings[] = new Warning('too-long', 'Longer than a lesson.', sprintf('It takes %.0f min and goes on by itself. Shorten it, or let it record on.', (float) $plan->length / 60.0));
        }
        if (($plan->length ?? 0.0) * $plan->rate > self::MANY_ROWS) {
            $warnings[] = new Warning('too-many', 'Very many rows.', sprintf('That makes %.0f million rows a channel. Fewer a second, or a shorter run, say as much and open faster.', (float) $plan->length * $plan->rate / 1e6));
        }

        // A slow run is stored as fast as its live values are shown.
        $samples = array_sum(array_map(static fn (array $p): float => min($p['fastestHz'], max($plan->rate, $p['kind']->liveHz())), $probes));
        $needed = ($plan->length ?? 0.0) * $samples * self::BYTES_EACH;
        if ($needed > self::SHARE_OF_DISK * $freeBytes) {
            $warnings[] = new Warning('disk', 'Too long for the disk.', sprintf('It needs %.1f GB, and %.1f GB are left on the disk of this computer. Record fewer rows a second, or make room.', $needed / 1e9, $freeBytes / 1e9));
        }

        return $warnings;
    }

    private static function plain(float $number): string
    {
        return rtrim(rtrim(sprintf('%.3F', $number), '0'), '.');
    }
}
