<?php

declare(strict_types=1);

namespace App\Titration;

use App\Exceptions\Refusal;
use App\Live\ChangeNotice;
use App\Models\Calibration;
use App\Models\Reworking;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Works runs out again from their raw values with another calibration. What was recorded stays, and comes back with one act. */
final readonly class ReworkingBook
{
    public function __construct(private ChangeNotice $notice)
    {
    }

    /** The probe's calibration that is looked at beside the recorded one. */
    public function add(RunChannel $channel, Calibration $calibration, User $user): Reworking
    {
        if ($calibration->probe_id !== $channel->probe_id || $calibration->state !== Calibration::KEPT) {
            throw Refusal::calibrationNotReady('A run can be worked out again with a kept calibration of the probe that recorded it.');
        }
        if ($calibration->id === $channel->calibration_id) {
            throw Refusal::calibrationNotReady('This is the calibration the run was recorded with; choose another.');
        }
        $reworking = $channel->reworkings()->firstOrCreate(['calibration_id' => $calibration->id], ['user_id' => $user->id]);
        $this->notice->experimentChanged($channel->run->experiment_id);

        return $reworking;
    }

    /** Results of the run are told by this calibration, or again by the recorded one. */
    public function putInForce(Run $run, ?Reworking $reworking): Run
    {
        DB::transaction(static function () use ($run, $reworking): void {
            Reworking::query()->whereIn('run_channel_id', $run->channels()->select('id'))->update(['is_in_force' => false]);
            $reworking?->update(['is_in_force' => true]);
        });
        $this->notice->experimentChanged($run->experiment_id);

        return $run;
    }
}
