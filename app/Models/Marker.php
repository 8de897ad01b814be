<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A note at a moment of a timed run, dropped while it is recorded and named when there is time; or at a row of any other run.
 *
 * @property int $id
 * @property int $run_id
 * @property float|null $at  of a timed run
 * @property int|null $row  number of the row, of any other
 * @property string $name
 * @property Run $run
 */
final class Marker extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'float', 'row' => 'integer'];
    }
}
