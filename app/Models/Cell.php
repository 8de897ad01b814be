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

    /**
     * A run has hundreds of cells, and each is read several times: what kind an attribute is, is not asked each time.
     *
     * @return array{float, float} mean of the samples, and its standard error
     */
    public function signal(): array
    {
        $stored = $this->attributes;

        return [(float) $stored['mean'], (float) $stored['scatter'] / sqrt(max(1, (int) $stored['sample_count']))];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['mean' => 'float', 'scatter' => 'float', 'sample_count' => 'integer'];
    }
}
