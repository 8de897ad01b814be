<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Welkion\Core\Calibration\ElectrodeCalibration;

/**
 * One probe as it takes part in a run, with the calibration the run uses.
 *
 * @property int $id
 * @property int $run_id
 * @property int $probe_id
 * @property int|null $calibration_id
 * @property Probe $probe
 * @property Calibration|null $calibration
 */
final class RunChannel extends Model
{
    /** Temperature at which an electrode without a calibration is taken to be ideal. */
    public const ROOM_CELSIUS = 25.0;

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

    public function electrode(): ElectrodeCalibration
    {
        return $this->calibration?->line() ?? ElectrodeCalibration::ideal(self::ROOM_CELSIUS);
    }
}
