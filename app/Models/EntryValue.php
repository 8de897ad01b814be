<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What an entry for each run is in one of them.
 *
 * @property int $id
 * @property int $entry_id
 * @property int $run_id
 * @property float|null $value
 * @property float $uncertainty
 */
final class EntryValue extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['value' => 'float', 'uncertainty' => 'float'];
    }
}
