<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Calibration;
use App\Models\Probe;
use App\Models\User;
use App\Recorder\RecorderClient;
use Illuminate\Support\Collection;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\Origin;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Surroundings;

/** What may be done with calibrations once they are kept: set aside, discarded, given to another probe. */
final readonly class CalibrationKeeping
{
    public function __construct(private RecorderClient $recorder)
    {
    }

    /** @return Collection<int, Calibration> kept ones, oldest first, set aside or not */
    public function history(Probe $probe): Collection
    {
        return Calibration::query()->with('probe', 'copiedFrom.probe')->withCount('runChannels')
            ->where('probe_id', $probe->id)->where('state', Calibration::KEPT)->get()
            ->sortBy([['kept_at', 'asc'], ['id', 'asc']])->values();
    }

    /** @param  string|null  $reason  null takes it back into use */
    public function setAside(Calibration $calibration, ?string $reason): Calibration
    {
        $this->requireKept($calibration);
        $calibration->update(['set_aside_reason' => $reason]);
        $this->recorder->reload($calibration->probe->bench);

        return $calibration;
    }

    /** A kept calibration that no run was recorded with may go; its numbers stay in the database. */
    public function discard(Calibration $calibration): void
    {
        $this->requireKept($calibration);
        $uses = $calibration->runChannels()->count();
        if ($uses > 0) {
            throw Refusal::calibrationInUse($uses);
        }
        $calibration->update(['state' => Calibration::DROPPED]);
        $this->recorder->reload($calibration->probe->bench);
    }

    /** Sets a probe to the calibration of another of its kind; the run that uses it says so. */
    public function copy(Probe $probe, Calibration $from, User $user): Calibration
    {
        $from->loadMissing('probe');
        if ($from->state !== Calibration::KEPT || $from->slope === null) {
            throw Refusal::calibrationNotReady('Only a calibration that was kept can be set on another probe.');
        }
        if ($from->probe->kind !== $probe->kind || $from->probe->raw_unit !== $probe->raw_unit) {
            throw Refusal::calibrationNotReady("A calibration of {$from->probe->title} does not fit {$probe->title}.");
        }

        return $this->keepLine($probe, $user, $this->lineOf($from), [
            'recipe' => $from->recipe, 'origin' => Origin::Copied, 'unit' => $from->unit, 'settings' => $from->settings,
            'celsius' => $from->celsius, 'copied_from_id' => $from->id, 'verdict' => $from->verdict,
        ]);
    }

    /** Back to the line its maker states. */
    public function factory(Probe $probe, User $user): Calibration
    {
        $recipe = Recipe::for($probe->kind)[0] ?? throw Refusal::calibrationNotReady("{$probe->title} reads by its maker’s line already.");
        if (! $probe->model()->isReadable()) {
            throw Refusal::calibrationNotReady("No maker’s line is known for {$probe->title} in {$probe->model()->unit}. Calibrate it at two known values.");
        }

        return $this->keepLine($probe, $user, $probe->model()->factoryLine(), [
            'recipe' => $recipe, 'origin' => Origin::Factory, 'unit' => $probe->model()->unit, 'celsius' => Surroundings::ROOM_C,
        ]);
    }

    /** @param  array<string, mixed>  $of */
    private function keepLine(Probe $probe, User $user, CalibrationLine $line, array $of): Calibration
    {
        $kept = $probe->calibrations()->create($of + [
            'user_id' => $user->id, 'standards' => [], 'state' => Calibration::KEPT, 'kept_at' => now(),
            'slope' => $line->slope, 'slope_uncertainty' => $line->slopeUncertainty,
            'offset' => $line->offset, 'offset_uncertainty' => $line->offsetUncertainty, 'covariance' => $line->covariance,
        ])->refresh();
        $this->recorder->reload($probe->bench);

        return $kept->setRelation('probe', $probe);
    }

    private function lineOf(Calibration $kept): CalibrationLine
    {
        return $kept->calibrated()?->line() ?? throw Refusal::calibrationNotReady('This calibration has no line.');
    }

    private function requireKept(Calibration $calibration): void
    {
        if ($calibration->state !== Calibration::KEPT) {
            throw Refusal::calibrationNotReady('This calibration was not kept.');
        }
        $calibration->loadMissing('probe.bench');
    }
}
