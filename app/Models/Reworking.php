<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A channel of a run worked out again from its raw values with another calibration; what was recorded stays beside it.
 *
 * @property int $id
 * @property int $run_channel_id
 * @property int $calibration_id
 * @property bool $is_in_force
 * @property Carbon $created_at
 * @property Calibration $calibration
 * @property RunChannel $channel
 */
final class Reworking extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Calibration, $this> */
    public function calibration(): BelongsTo
    {
        return $this->belongsTo(Calibration::class);
    }

    /** @return BelongsTo<RunChannel, $this> */
    public function channel(): BelongsTo
    {
        return $this->belongsTo(RunChannel::class, 'run_channel_id');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_in_force' => 'boolean'];
    }
}
