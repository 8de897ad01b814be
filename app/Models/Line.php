<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A line of working: a method and what it is given.
 *
 * @property int $id
 * @property int $experiment_id
 * @property string $symbol
 * @property string $title
 * @property string $method
 * @property bool $is_per_run
 * @property int|null $span_id
 * @property array{texts?: array<string, string>, numbers?: array<string, array{value: float, uncertainty: float, unit: string}>, words?: string, onlyRun?: int|null, guesses?: array<int, string>} $options
 * @property int $position
 */
final class Line extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_per_run' => 'boolean', 'options' => 'array', 'position' => 'integer'];
    }
}
