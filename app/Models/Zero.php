<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\Surroundings;

/**
 * "This is nothing", said once of a probe; it stays until it is undone, another is taken or the probe is calibrated.
 *
 * @property int $id
 * @property int $probe_id
 * @property float $raw
 * @property float $scatter
 * @property float $value_before
 * @property string $unit
 * @property float $taken_at
 * @property Carbon $created_at
 * @property Carbon|null $undone_at
 * @property Probe $probe
 */
final class Zero extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Probe, $this> */
    public function probe(): BelongsTo
    {
        return $this->belongsTo(Probe::class);
    }

    public function appliedTo(ProbeCalibration $calibration, ProbeModel $model): ProbeCalibration
    {
        return $model->calibration($calibration->line()->zeroedAt($this->raw), Surroundings::ROOM_C, $this->unit);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'raw' => 'float', 'scatter' => 'float', 'value_before' => 'float', 'taken_at' => 'float', 'undone_at' => 'datetime',
        ];
    }
}
