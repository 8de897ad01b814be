<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Probe;
use App\Models\Run;
use App\Recorder\RecorderClient;

/** Puts probes away that have gone from their bench for good, and brings them back. Their record stays as it is. */
final readonly class ProbeCupboard
{
    public function __construct(private RecorderClient $recorder)
    {
    }

    public function putAway(Probe $probe): Probe
    {
        if ($probe->is_present) {
            throw Refusal::pluggedIn($probe->title);
        }
        $recording = $probe->runChannels()->whereRelation('run', 'state', Run::OPEN)->with('run.experiment')->first();
        if ($recording !== null) {
            throw Refusal::benchBusy($recording->run->experiment->title);
        }

        return $this->change($probe, true);
    }

    public function bringBack(Probe $probe): Probe
    {
        return $this->change($probe, false);
    }

    private function change(Probe $probe, bool $isAway): Probe
    {
        $probe->update(['put_away_at' => $isAway ? $probe->put_away_at ?? now() : null]);
        $this->recorder->reload($probe->bench);

        return $probe;
    }
}
