<?php

declare(strict_types=1);

namespace App\Recorder\Live;

use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Keeping\Standing;
use App\Recorder\Link\Allowance;
use App\Recorder\Link\BenchLink;
use App\Recorder\Link\DeviceFault;
use App\Recorder\RunFeed;

/** What must be said on every screen of a bench: that its device was set aside, that storage is away, what is in danger, what was lost. */
final class BenchNotes
{
    /** A clock that was put right is worth knowing for a while. */
    private const STEP_TOLD_S = 600.0;

    /** A clock put right now and then is no fault; one that keeps going back is. */
    private const STEPS_PER_S = 0.1;

    private const STEPS_AT_ONCE = 24.0;

    /** What is told changes no more often: it is read out. */
    private const SILENCE_STEP_S = 3.0;

    private const MINUTE_S = 60.0;

    private const HOUR_S = 3600.0;

    private float $steppedBackS = 0.0;

    private float $steppedAt = -INF;

    private readonly Allowance $steps;

    public function __construct(private readonly SampleKeeper $keeper, private readonly BenchLink $link, private readonly RunFeed $runs)
    {
        $this->steps = new Allowance(self::STEPS_PER_S, self::STEPS_AT_ONCE, microtime(true));
    }

    /** @throws DeviceFault If it does so again and again. */
    public function clockSteppedBack(float $seconds, float $now): void
    {
        if ($seconds <= 0.0) {
            return;
        }
        [$this->steppedBackS, $this->steppedAt] = [$seconds, $now];
        if (! $this->steps->take(1.0, $now)) {
            throw DeviceFault::because('has a clock that goes back again and again');
        }
    }

    /** Why nothing comes from the bench; null if its device is in order. */
    public function whyAside(): ?string
    {
        $fault = $this->link->fault(microtime(true));

        return $fault === null ? null : "The device of this bench was set aside. {$fault} It is tried again by itself.";
    }

    /** Why no reading can be taken; null if the bench is only not connected. */
    public function whyNothing(float $now): ?string
    {
        return $this->whyAside() ?? $this->whySilent($now);
    }

    /** @return list<array{code: string, tone: 'amber'|'red', sentence: string}> the gravest first */
    public function now(float $now): array
    {
        $notes = self::ofStorage($this->keeper->standing($this->runs->channels()), $now);
        $aside = $this->whyAside();
        if ($aside !== null) {
            $notes[] = self::note('device-aside', 'amber', $aside);
        }
        $silent = $this->whySilent($now);
        if ($silent !== null) {
            $notes[] = self::note('device-silent', 'amber', $silent);
        }
        if ($now - $this->steppedAt < self::STEP_TOLD_S) {
            $notes[] = self::note('clock-stepped', 'amber', 'The clock of this bench went back by '.self::duration($this->steppedBackS)
                .'. Values go on as a new segment; times of earlier readings of this run are not comparable with later ones.');
        }

        return $notes;
    }

    private function whySilent(float $now): ?string
    {
        $since = $this->link->silentSince();

        return $since === null ? null : 'Nothing has come from the device of this bench for '.self::duration(self::SILENCE_STEP_S * max(1.0, floor(($now - $since) / self::SILENCE_STEP_S)))
            .'. Is it switched on, and in reach of its network? It is called again and again; what it keeps meanwhile, up to two minutes, comes then.';
    }

    /** @return list<array{code: string, tone: 'amber'|'red', sentence: string}> of what is recorded, the gravest first */
    public static function ofStorage(Standing $standing, float $now): array
    {
        $notes = [];
        if ($standing->lost > 0) {
            $notes[] = self::note('samples-lost', 'red', self::samples($standing->lost).' of this run could be kept nowhere and '
                .($standing->lost === 1 ? 'is' : 'are').' lost: over '.self::duration((float) $standing->lostUntil - (float) $standing->lostFrom).', the last '
                .self::duration($now - (float) $standing->lostUntil).' ago. What was recorded before and after is there; readings that were taken are kept.');
        }
        if ($standing->inDanger > 0) {
            $notes[] = self::note('samples-in-danger', 'red', 'Neither the database nor the disk takes what is recorded: '.self::samples($standing->inDanger)
                .' of the last '.self::duration($now - (float) $standing->inDangerSince).' are in memory alone. Leave this computer on, and make room on its disk; it is written by itself then.');
        } elseif ($standing->isStorageAway) {
            $notes[] = self::note('storage-away', 'amber', 'The database does not answer just now. Live values go on; '
                .($standing->onDisk > 0 ? self::samples($standing->onDisk).' of this run wait on disk, nothing is lost.' : 'what is recorded waits on disk, nothing is lost.')
                .' Readings can be taken once it is back.');
        } elseif ($standing->onDisk > 0) {
            $notes[] = self::note('catching-up', 'amber', 'The database is back; '.self::samples($standing->onDisk).' that waited on disk '.($standing->onDisk === 1 ? 'is' : 'are').' being written.');
        }

        return $notes;
    }

    /**
     * @param  'amber'|'red'  $tone
     * @return array{code: string, tone: 'amber'|'red', sentence: string}
     */
    private static function note(string $code, string $tone, string $sentence): array
    {
        return ['code' => $code, 'tone' => $tone, 'sentence' => $sentence];
    }

    private static function samples(int $count): string
    {
        return number_format($count).($count === 1 ? ' sample' : ' samples');
    }

    private static function duration(float $seconds): string
    {
        return match (true) {
            $seconds < self::MINUTE_S => sprintf('%.0F s', max(1.0, $seconds)),
            $seconds < 0.95 * self::HOUR_S => sprintf('%.0F min', $seconds / self::MINUTE_S),
            default => sprintf('%.1F h', $seconds / self::HOUR_S),
        };
    }
}
