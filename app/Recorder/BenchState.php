<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Recorder\Timed\ToldRun;

/** A bench as it is written down: its probes with what they read by, and which run channels are open. */
final readonly class BenchState
{
    /**
     * @param  Bench  $bench  with probes, their calibrations and zeros
     * @param  list<array{id: int, probeId: int, lastSeq: int, isTimed: bool}>  $openChannels  of the open runs of its experiments; 0: no sample yet
     * @param  list<ToldRun>  $timedRuns  those of them that are timed, and those that ended a moment ago
     */
    public function __construct(public Bench $bench, public array $openChannels, public array $timedRuns)
    {
    }
}
