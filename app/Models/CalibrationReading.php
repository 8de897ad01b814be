<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The raw signal of a probe in one standard.
 *
 * @property int $position
 * @property float $value
 * @property float $celsius
 * @property float $raw
 * @property float $scatter
 * @property int $sample_count
 * @property bool $was_steady
 * @property list<float> $samples
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
            'position' => 'integer', 'value' => 'float', 'celsius' => 'float', 'raw' => 'float', 'scatter' => 'float',
            'sample_count' => 'integer', 'was_steady' => 'boolean', 'drift_per_minute' => 'float', 'samples' => 'array',
            'taken_at' => 'float',
        ];
    }
}
