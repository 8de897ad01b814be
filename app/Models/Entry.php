<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One typed value: for the experiment, or one for each run.
 *
 * @property int $id
 * @property int $experiment_id
 * @property string $symbol
 * @property string $name
 * @property string $unit
 * @property bool $is_per_run
 * @property bool $is_words
 * @property float|null $value
 * @property float $uncertainty
 * @property string|null $text
 * @property int $position
 */
final class Entry extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_per_run' => 'boolean', 'is_words' => 'boolean', 'value' => 'float', 'uncertainty' => 'float', 'position' => 'integer'];
    }
}
