<?php

declare(strict_types=1);

namespace App\Recording;

use App\Exceptions\Refusal;
use App\Models\Calibration;
use App\Models\Reworking;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\User;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Sender;

/** Works runs out again from their raw values with another calibration. What was recorded stays, and comes back with one act. */
final readonly class ReworkingBook
{
    public function __construct(private Journal $journal)
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

        return $channel->reworkings()->firstOrCreate(['calibration_id' => $calibration->id], ['user_id' => $user->id]);
    }

    /** Results of the run are told by this calibration, or again by the recorded one. */
    public function putInForce(Run $run, RunChannel $channel, ?Reworking $reworking, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, static function (Draft $draft) use ($run, $channel, $reworking): string {
            foreach ($channel->reworkings()->get() as $other) {
                $draft->update($other, ['is_in_force' => $other->id === $reworking?->id]);
            }

            return $reworking === null ? "Told {$run->title()} by the calibration it was recorded with" : "Worked {$run->title()} out again with another calibration";
        });
    }
}
