<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A board that a teacher has opened to others for a while.
 *
 * @property int $id
 * @property int $experiment_id
 * @property string|null $code
 * @property Carbon $expires_at
 * @property Experiment $experiment
 */
final class Watch extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    public function isOpen(): bool
    {
        return $this->code !== null && $this->expires_at->isFuture();
    }

    /** @return BelongsTo<Experiment, $this> */
    public function experiment(): BelongsTo
    {
        return $this->belongsTo(Experiment::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime'];
    }
}
