<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * One row taken in a stepwise run. It always stays: taken again it is replaced, deleted it is marked.
 *
 * @property int $id
 * @property int $run_id
 * @property int $row
 * @property string $request_key
 * @property float|null $step
 * @property string|null $step_words
 * @property float|null $taken_at
 * @property bool $was_steady
 * @property int|null $replaced_by_id
 * @property Carbon|null $deleted_at
 * @property Run $run
 * @property Collection<int, Cell> $cells
 * @property Carbon $created_at
 */
final class Reading extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return HasMany<Cell, $this> */
    public function cells(): HasMany
    {
        return $this->hasMany(Cell::class);
    }

    /** What it was taken at: a number, or a word. */
    public function stepValue(): float|string|null
    {
        return $this->step_words ?? $this->step;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['row' => 'integer', 'step' => 'float', 'taken_at' => 'float', 'was_steady' => 'boolean', 'deleted_at' => 'datetime'];
    }
}
