<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Which columns are drawn against which.
 *
 * @property int $id
 * @property int $experiment_id
 * @property string $title
 * @property array{x: string, panels: list<array{y: list<string>}>, axes?: array<string, mixed>} $options
 * @property int $position
 */
final class Figure extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['options' => 'array', 'position' => 'integer'];
    }
}
