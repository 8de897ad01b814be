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
 * @property array<int, array{float, float}>|null $of_runs  from and to in runs where it lies elsewhere, by their numbers
 */
final class Span extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<int, array{float, float}> from and to in runs where it lies elsewhere, by their numbers */
    public function ends(): array
    {
        return array_map(static fn (array $ends): array => [(float) $ends[0], (float) $ends[1]], $this->of_runs ?? []);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['from' => 'float', 'to' => 'float', 'of_runs' => 'array'];
    }
}
