<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * One row taken in a stepwise run.
 *
 * @property int $id
 * @property int $run_id
 * @property string $request_key
 * @property float $volume
 * @property float $taken_at
 * @property bool $was_steady
 * @property string|null $set_aside_reason
 * @property int|null $replaced_by_id
 * @property Run $run
 * @property Collection<int, ReadingValue> $values
 * @property Carbon $created_at
 */
final class Reading extends Model
{
    use SoftDeletes;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return HasMany<ReadingValue, $this> */
    public function values(): HasMany
    {
        return $this->hasMany(ReadingValue::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['volume' => 'float', 'taken_at' => 'float', 'was_steady' => 'boolean'];
    }
}
