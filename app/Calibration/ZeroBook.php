<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Probe;
use App\Models\User;
use App\Models\Zero;
use App\Recorder\RecorderClient;

/** Zeros probes, each time as an act of its own with a record of its own, and undoes it. */
final readonly class ZeroBook
{
    public function __construct(private RecorderClient $recorder)
    {
    }

    public function take(Probe $probe, User $user): Zero
    {
        if (! $probe->kind->canBeZeroed()) {
            throw Refusal::noZero($probe->title);
        }
        if (! $probe->is_present) {
            throw Refusal::unplugged($probe->title);
        }
        $mean = $this->recorder->snapshot($probe->bench)->of($probe->id);
        $zero = $probe->zeros()->create([
            'user_id' => $user->id, 'raw' => $mean->mean, 'scatter' => $mean->scatter,
            'value_before' => $probe->reading()->quantity($mean->mean)->value, 'unit' => $probe->unit(), 'taken_at' => $mean->time,
        ])->refresh();
        $this->recorder->reload($probe->bench);

        return $zero;
    }

    public function undo(Zero $zero): Zero
    {
        $zero->update(['undone_at' => $zero->undone_at ?? now()]);
        $this->recorder->reload($zero->probe->bench);

        return $zero;
    }
}
