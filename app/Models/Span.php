<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A named stretch of a column.
 *
 * @property int $id
 * @property int $experiment_id
 * @property int $column_id
 * @property string $name
 * @property float $from
 * @property float $to
 */
final class Span extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['from' => 'float', 'to' => 'float'];
    }
}
