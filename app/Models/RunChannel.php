<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Welkion\Core\Calibration\Origin;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\Trust;
use Welkion\Core\Calibration\Verdict;

/**
 * One probe as it takes part in a run, with the calibration the run uses.
 *
 * @property int $id
 * @property int $run_id
 * @property int $probe_id
 * @property int|null $calibration_id
 * @property int|null $zero_id
 * @property string|null $role
 * @property float|null $zero_time
 * @property bool $is_beside
 * @property float|null $clock_error
 * @property Probe $probe
 * @property Calibration|null $calibration
 * @property Zero|null $zero
 * @property Collection<int, Reworking> $reworkings
 * @property Run $run
 */
final class RunChannel extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<Probe, $this> */
    public function probe(): BelongsTo
    {
        return $this->belongsTo(Probe::class);
    }

    /** @return BelongsTo<Calibration, $this> */
    public function calibration(): BelongsTo
    {
        return $this->belongsTo(Calibration::class);
    }

    /** @return BelongsTo<Zero, $this> */
    public function zero(): BelongsTo
    {
        return $this->belongsTo(Zero::class);
    }

    /** @return HasMany<Reworking, $this> */
    public function reworkings(): HasMany
    {
        $relation = $this->hasMany(Reworking::class);
        $relation->orderBy('id');

        return $relation;
    }

    /** The calibration results are worked out with: the recorded one, unless the run was worked out again with another. */
    public function calibrationInForce(): ?Calibration
    {
        $again = $this->reworkings->first(static fn (Reworking $r): bool => $r->is_in_force);

        return $this->withProbe($again instanceof Reworking ? $again->calibration : $this->calibration);
    }

    /** Unit of what it measures, by the calibration in force. */
    public function unit(): string
    {
        return $this->calibrationInForce()->unit ?? $this->probe->model()->unit;
    }

    /** How raw signals become quantities, by the calibration in force. */
    public function reading(): ?ProbeCalibration
    {
        return $this->readingBy($this->calibrationInForce());
    }

    /** How raw signals become quantities by some calibration of the probe, or by the maker's line; null if it cannot be worked out. */
    public function readingBy(?Calibration $calibration): ?ProbeCalibration
    {
        $model = $this->probe->model();
        // A raw signal is no quantity, and must not stand there with its unit.
        $uncalibrated = $model->isReadable() ? $model->factory() : null;
        $calibrated = $calibration === null ? $uncalibrated : $this->withProbe($calibration)?->calibrated();

        return $calibrated === null || $this->zero === null ? $calibrated : $this->zero->appliedTo($calibrated, $this->probe->model());
    }

    public function trust(): Trust
    {
        return $this->calibrationInForce() === null && ! $this->probe->model()->isReadable() ? Trust::Missing : Trust::of($this->probe->kind, $this->verdict(), $this->ageDays(), $this->calibrationInForce()->origin ?? Origin::Read);
    }

    /** What its card, captions and the sheet say of the calibration; null when there is nothing to say. */
    public function trustSentence(): ?string
    {
        $aside = $this->calibrationInForce()?->set_aside_reason;

        return $aside !== null
            ? "{$this->probe->title}: the calibration was set aside later ({$aside})."
            : $this->trust()->sentence($this->probe->title, $this->verdict(), $this->ageDays());
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['zero_time' => 'float', 'is_beside' => 'boolean', 'clock_error' => 'float'];
    }

    private function verdict(): ?Verdict
    {
        return $this->calibrationInForce()?->calibrated()?->verdict();
    }

    private function ageDays(): ?float
    {
        $calibration = $this->calibrationInForce();

        // A calibration made after the run says how the probe was then; it is not old.
        return $calibration === null ? null : max(0.0, (float) $calibration->ageDays($this->run->started_at));
    }

    private function withProbe(?Calibration $calibration): ?Calibration
    {
        return $calibration?->setRelation('probe', $this->probe);
    }
}
