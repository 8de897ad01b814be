<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use Welkion\Core\Calibration\Origin;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Calibration\Trust;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Series\SteadyLimits;
use Welkion\Core\Uncertainty\Digits;

/**
 * A probe, known by its serial number: it keeps its calibrations when it is carried to another bench.
 *
 * @property int $id
 * @property int $user_id
 * @property int $bench_id
 * @property string $channel
 * @property ProbeKind $kind
 * @property string $title
 * @property string $serial
 * @property string $raw_unit
 * @property float $resolution
 * @property float|null $stated_slope
 * @property float|null $stated_offset
 * @property string|null $stated_unit
 * @property string|null $own_title
 * @property string|null $own_unit
 * @property float $fastest_hz
 * @property bool $is_present
 * @property Carbon|null $presence_changed_at
 * @property string|null $moved_from
 * @property Carbon|null $put_away_at
 * @property Bench $bench
 * @property Calibration|null $calibration
 * @property Zero|null $lastZero
 */
final class Probe extends Model
{
    private const MOVE_TOLD_HOURS = 12;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Bench, $this> */
    public function bench(): BelongsTo
    {
        return $this->belongsTo(Bench::class);
    }

    /** @return HasMany<Calibration, $this> */
    public function calibrations(): HasMany
    {
        return $this->hasMany(Calibration::class);
    }

    /**
     * The calibration in force: the one kept last that is not set aside.
     *
     * @return HasOne<Calibration, $this>
     */
    public function calibration(): HasOne
    {
        $relation = $this->hasOne(Calibration::class);
        $relation->where('state', Calibration::KEPT)->whereNull('set_aside_reason')->latest('kept_at')->latest('id');

        return $relation;
    }

    /** @return HasMany<Zero, $this> */
    public function zeros(): HasMany
    {
        return $this->hasMany(Zero::class);
    }

    /** @return HasMany<RunChannel, $this> the runs it takes part in */
    public function runChannels(): HasMany
    {
        return $this->hasMany(RunChannel::class);
    }

    /** @return HasOne<Zero, $this> */
    public function lastZero(): HasOne
    {
        $relation = $this->hasOne(Zero::class);
        $relation->whereNull('undone_at')->latest('id');

        return $relation;
    }

    /** The zero in force: the last one, unless the probe was calibrated after it. */
    public function zero(): ?Zero
    {
        $zero = $this->lastZero;
        $keptAt = $this->calibration?->kept_at;

        return $zero !== null && ($keptAt === null || $zero->created_at->greaterThan($keptAt)) ? $zero : null;
    }

    public function isPhElectrode(): bool
    {
        return $this->kind === ProbeKind::PhElectrode;
    }

    public function model(): ProbeModel
    {
        // A line its device states is one in the unit the device states.
        $isStated = $this->own_unit === null || $this->own_unit === ($this->stated_unit ?? $this->raw_unit);

        return ProbeModel::of($this->kind, $this->raw_unit, $isStated ? $this->stated_slope : null, $isStated ? $this->stated_offset : null, $this->own_unit ?? $this->stated_unit);
    }

    /** A calibration is in force, but what is stored of it cannot be worked out. */
    public function hasBrokenCalibration(): bool
    {
        $calibration = $this->calibrationWithProbe();

        return $calibration !== null && $calibration->calibrated() === null;
    }

    /**
     * What it reads by now: its calibration, or its maker's line, with the zero in force.
     *
     * @throws InvalidQuantity If its calibration cannot be worked out; another line in its place would show wrong values.
     */
    public function reading(): ProbeCalibration
    {
        if ($this->hasBrokenCalibration()) {
            throw new InvalidQuantity($this->brokenSentence());
        }
        $calibrated = $this->calibrationWithProbe()?->calibrated() ?? $this->model()->factory();
        $zero = $this->zero();

        return $zero === null ? $calibrated : $zero->appliedTo($calibrated, $this->model());
    }

    /** Unit of what it shows. */
    public function unit(): string
    {
        return $this->calibration->unit ?? $this->model()->unit;
    }

    /** Digits after the point that it is shown with. */
    public function decimals(): int
    {
        if ($this->kind !== ProbeKind::AnyQuantity) {
            return $this->kind->decimals();
        }
        $line = $this->hasBrokenCalibration() ? null : $this->reading()->line();

        return max(0, min(6, Digits::decimalsOf($this->resolution / abs($line->slope ?? 1.0))));
    }

    /** When it is steady, in the unit of its quantity: as its kind is, unless its bench has limits of its own. */
    public function quantityLimits(): SteadyLimits
    {
        $limits = $this->model()->steadyLimits($this->resolution);
        $own = $this->bench->steady_limits[$this->kind->value] ?? null;
        if ($own === null) {
            return $limits;
        }
        try {
            return SteadyLimits::of($own['driftPerMinute'], $own['scatter'], $own['tolerance'], $own['windowS'], $limits->share);
        } catch (CoreException) {
            // Stored under an older rule: the usual ones are better than none.
            return $limits;
        }
    }

    /** The same in raw units. */
    public function steadyLimits(): SteadyLimits
    {
        return $this->quantityLimits()->times(abs($this->model()->factoryLine(Surroundings::ROOM_C)->slope));
    }

    public function trust(): Trust
    {
        $calibration = $this->calibrationWithProbe();

        return $calibration === null && ! $this->model()->isReadable() ? Trust::Missing : Trust::of($this->kind, $calibration?->calibrated()?->verdict(), $calibration?->ageDays(now()), $calibration->origin ?? Origin::Read);
    }

    /** Whether something can be recorded with it and need not be asked about first. */
    public function isReady(): bool
    {
        return $this->is_present && $this->trust()->isUnquestioned();
    }

    public function trustSentence(): ?string
    {
        $calibration = $this->calibrationWithProbe();

        return $this->hasBrokenCalibration() ? $this->brokenSentence() : $this->trust()->sentence($this->title, $calibration?->calibrated()?->verdict(), $calibration?->ageDays(now()));
    }

    private function brokenSentence(): string
    {
        return "{$this->title}: what is stored of its calibration cannot be worked out. Calibrate it again.";
    }

    /** The calibration in force, knowing its probe. */
    public function calibrationWithProbe(): ?Calibration
    {
        return $this->calibration?->setRelation('probe', $this);
    }

    /** The bench it was carried here from, as long as someone may look for it there. */
    public function recentlyMovedFrom(): ?string
    {
        return $this->presence_changed_at?->greaterThan(now()->subHours(self::MOVE_TOLD_HOURS)) === true ? $this->moved_from : null;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => ProbeKind::class, 'resolution' => 'float', 'stated_slope' => 'float', 'stated_offset' => 'float',
            'fastest_hz' => 'float', 'is_present' => 'boolean', 'presence_changed_at' => 'datetime', 'put_away_at' => 'datetime',
        ];
    }
}
