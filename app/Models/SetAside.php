<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Rows of a run that are shown and not used, with the reason; of one column, or of all.
 *
 * @property int $id
 * @property int $run_id
 * @property int|null $column_id
 * @property int $first_row
 * @property int $last_row
 * @property string $reason
 */
final class SetAside extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['first_row' => 'integer', 'last_row' => 'integer'];
    }
}
