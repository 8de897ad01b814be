<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Welkion\Core\Series\SteadyLimits;

/**
 * @property int $id
 * @property int $bench_id
 * @property string $channel
 * @property string $kind
 * @property string $title
 * @property string $serial
 * @property string $raw_unit
 * @property float $resolution
 * @property Bench $bench
 * @property Calibration|null $calibration
 */
final class Probe extends Model
{
    public const PH_ELECTRODE = 'ph-electrode';

    public const THERMOMETER = 'thermometer';

    protected $guarded = [];

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
     * The calibration in force: the one kept last.
     *
     * @return HasOne<Calibration, $this>
     */
    public function calibration(): HasOne
    {
        $relation = $this->hasOne(Calibration::class);
        $relation->where('state', Calibration::KEPT)->latest('kept_at')->latest('id');

        return $relation;
    }

    public function isPhElectrode(): bool
    {
        return $this->kind === self::PH_ELECTRODE;
    }

    public function steadyLimits(): SteadyLimits
    {
        return $this->isPhElectrode() ? SteadyLimits::phElectrode() : SteadyLimits::thermometer();
    }
}
