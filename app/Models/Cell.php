<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The raw signal of one channel in one reading.
 *
 * @property int $id
 * @property int $reading_id
 * @property int $run_channel_id
 * @property float $mean
 * @property float $scatter
 * @property int $sample_count
 */
final class Cell extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['mean' => 'float', 'scatter' => 'float', 'sample_count' => 'integer'];
    }
}
