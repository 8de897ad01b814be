<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The raw signal of an electrode in one standard.
 *
 * @property int $position
 * @property float $ph
 * @property float $celsius
 * @property float $millivolts
 * @property float $scatter
 * @property int $sample_count
 * @property bool $was_steady
 * @property float $drift_per_minute
 */
final class CalibrationReading extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'position' => 'integer', 'ph' => 'float', 'celsius' => 'float', 'millivolts' => 'float', 'scatter' => 'float',
            'sample_count' => 'integer', 'was_steady' => 'boolean', 'drift_per_minute' => 'float', 'samples' => 'array',
            'taken_at' => 'float',
        ];
    }
}
